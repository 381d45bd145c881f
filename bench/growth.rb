# frozen_string_literal: true

require_relative "crowd"
require_relative "figures"
require_relative "many_clients"

module Bench
  # The plan while the database grows from 6,000 posts to 600,000: the month of one client and the week of twenty, which
  # show the same in each, against what they took at first.
  class Growth
    App = AskFirst::App
    POSTS = 300 # of one client, on two channels each, in one month
    CLIENTS = [20, 200, 2_000].freeze
    SHOWN = 20

    def initialize(cluster)
      @world = SpecWorld.new(cluster: cluster)
      @many = ManyClients.new(cluster, @world)
    end

    def call
      puts "\nThe plan while the database grows"
      fill
      first = nil
      CLIENTS.each_with_index do |clients, at|
        @many.multiply(
          @world.workspace,
          clients - (at.zero? ? 2 : CLIENTS[at - 1]),
          from: at.zero? ? 1 : CLIENTS[at - 1]
        )
        found = figures
        first ||= found
        found.each { |what, ms| Figures.line("#{what}, #{clients * POSTS} posts in all", ms, first.fetch(what), "ms") }
      end
    end

    private

    def fill
      post = @world.draft(picture: false)
      @at = @world.owner[:posts].where(id: post).get(:at)
      crowd = Crowd.new(@world.owner)
      crowd.multiply(post, POSTS - 1)
    end

    def figures
      month = @at.strftime("%Y-%m")
      {
        "a month of one client" =>
          Figures.median_ms(25) { JSON.generate(App::Plan::Period.month(@world.environment, one, month: month)) },
        "a week of #{SHOWN} clients" =>
          Figures.median_ms(9) do
            JSON.generate(App::Plan::Period.week(@world.environment, some, day: @at.strftime("%F")))
          end
      }
    end

    def one = scope([@world.workspace])

    # The same twenty in each.
    def some
      @some ||= scope(@world.owner[:workspaces].order(:id).limit(SHOWN).select_map(:id) | [@world.workspace])
    end

    def scope(ids)
      AskFirst::Store::Scope.new(
        @world.environment.db,
        workspace_ids: ids,
        person_id: @world.person(:ines),
        side: "agency"
      )
    end
  end
end
