# frozen_string_literal: true

require "rack/test"
require_relative "figures"

module Bench
  # The checks as one types, over HTTP, with 20,000 posts in the database, against an empty request: a call of the
  # same person to the same post that reads and writes nothing. The opening of the sheet beside it. And the search for
  # what says the same, as all posts grow and its window does not.
  class Writing
    include Rack::Test::Methods

    POSTS = 20_000
    GROWTH = [2_000, 200_000].freeze

    attr_reader :app

    def initialize(cluster)
      @cluster = cluster
    end

    def call
      puts "\nWriting"
      begin_anew
      growth
      begin_anew
      round_trip
    end

    private

    def begin_anew
      @world = SpecWorld.new(cluster: @cluster)
      @owner = @world.owner
      @post = @world.draft(channels: %i[ticker vitrine])
      @crowd = Crowd.new(@owner)
    end

    def round_trip
      bus = AskFirst::Edge::LiveBus.connect(@world.settings.web_url)
      @app = AskFirst::Web::Server.build(@world.environment.dup.tap { |environment| environment.bus = bus })
      @crowd.multiply(@post, POSTS - 1)
      @crowd.scatter(3000, except: [@post])
      sign_in
      typed = @world.db[:parts].where(post_id: @post, part: "text").get(:value)
      against_nothing("two channels, #{POSTS} posts", @post, typed)
      against_nothing("ten channels and twenty pictures", wide, typed)
    ensure
      bus&.stop
    end

    # What is measured and its floor take turns, so that what else the machine does falls on both.
    def against_nothing(title, post, typed)
      at = "/api/w/#{@world.workspace}/posts/#{post}"
      calls = {
        check: -> { ask("#{at}/check", { part: "text", value: typed }) },
        open: -> { get(at) },
        nothing: -> { ask("#{at}/here", { part: "text" }) }
      }
      calls.each_value { |call| 8.times { call.call } }
      took = Hash.new { |hash, name| hash[name] = [] }
      60.times { calls.each { |name, call| took[name] << Figures.ms { call.call } } }
      median = took.transform_values { |times| Figures.quantile(times, 0.5) }
      Figures.line("checks while typing: #{title}", median[:check], median[:nothing], "ms")
      Figures.line("opening the sheet: #{title}", median[:open], median[:nothing], "ms")
    end

    # A post of ten channels and twenty pictures.
    # @return [String] its id
    def wide
      post = @world.draft(picture: false, channels: [])
      channels =
        Array.new(10) do |n|
          @world.act("Channels::AddOffline", :ines, name: "Sheet #{n}", initials: "S#{n}", limit: 2000, pictures: 20)
        end
      @world.act("Posts::ChooseChannels", :ines, post_id: post, channel_ids: channels)
      pictures =
        Array.new(20) do |n|
          @world.act("Media::UploadMedia", :sunniva, io: SpecWorld.picture(n + 1), name: "p#{n}.jpg")[:id]
        end
      @world.write(post, "media", pictures, who: :sunniva)
      post
    end

    # What goes out within 30 days of the post: the same 200 posts, whether there are 2,000 in all or 200,000.
    def growth
      at = @owner[:posts].where(id: @post).get(:at)
      few = measure(@post, GROWTH.first, at)
      many = measure(@world.draft(channels: %i[ticker vitrine]), GROWTH.last - GROWTH.first, at)
      Figures.line("repeats: #{GROWTH.last} posts, against #{GROWTH.first}", many, few, "ms")
    end

    def measure(pattern, count, at)
      @crowd.multiply(pattern, count)
      others = @owner[:posts].exclude(id: @post)
      others.update(at: at - (400 * 86_400))
      others.where(id: others.where(workspace_id: @world.workspace).order(:id).limit(200).select(:id)).update(
        at: at + 86_400
      )
      @owner.run("ANALYZE posts")
      Figures.median_ms { around(at) }
    end

    def around(at)
      scope = @world.member(:ines).scope(@world.environment.db)
      scope.transaction do
        post = @standing ||= AskFirst::Store::Posts::PostState.load(scope, [@post], @world.environment.now).fetch(@post)
        AskFirst::Store::Checks::PlannedWords.around(scope, post, at - (30 * 86_400), at + (30 * 86_400))
      end
    end

    def sign_in
      post_json("/api/auth/login", { email: "ines@fernhollow.example", password: Demo::World::PASSWORD })
    end

    def ask(path, body)
      post_json(path, body)
      raise "#{path} answered #{last_response.status} #{last_response.body[0, 200]}" unless last_response.successful?
    end

    def post_json(path, body)
      post(path, JSON.generate(body), "CONTENT_TYPE" => "application/json", "HTTP_ACCEPT" => "application/json")
    end
  end
end
