# frozen_string_literal: true

module AskFirst
  module App
    module Plan
      # The list of a plan as rows for a sheet, as the reader sees it.
      class Sheet
        COLUMNS = %w[day time zone client subject channels stage labels campaign owner boost address].freeze
        # what a program that opens it can count and sort with: days and hours of the wall
        KINDS = { "day" => :day, "time" => :clock }.freeze

        # @param narrowed see List
        # @return [Array<Array<String>>] rows by day and time, each with COLUMNS
        # @raise [Core::Invalid] bad_date, too_many_days
        def self.call(environment, scope, **narrowed)
          clients =
            scope.transaction { Store::Plan::Days.clients(scope) }.to_h { |client| client.values_at(:id, :name) }
          List.call(environment, scope, **narrowed)[:rows].map { |row| new(environment, clients, row).call }
        end

        def initialize(environment, clients, row)
          @environment = environment
          @clients = clients
          @row = row
        end

        def call
          [
            row[:wall][0, 10],
            row[:wall][11, 5],
            row[:zone],
            @clients.fetch(row[:workspace_id]),
            row[:subject],
            row[:channels].map { |channel| channel["name"] }.join(", "),
            row[:stage].tr("_", " "),
            row[:labels].join(", "),
            row[:campaign].to_s,
            row[:owner][:name],
            row[:money].map { |money| Core::Campaigns::Currency.words(money[:minor], money[:currency]) }.join(", "),
            "#{@environment.settings.public_url}/w/#{row[:workspace_id]}/posts/#{row[:post_id]}"
          ]
        end

        private

        attr_reader :row
      end
    end
  end
end
