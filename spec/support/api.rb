# frozen_string_literal: true

require "committee"
require "rack/test"

# The API as a browser's page calls it, with every answer checked against the OpenAPI document.
class ApiClient
  include Rack::Test::Methods
  include Committee::Test::Methods

  attr_reader :app

  def initialize(app)
    @app = app
  end

  def committee_options
    @committee_options ||= {
      schema: AskFirst::Web::Contract.schema,
      strict_reference_validation: true,
      parse_response_by_content_type: true,
      query_hash_key: "rack.request.query_hash"
    }
  end

  def request_object = last_request
  def response_data = [last_response.status, last_response.headers, last_response.body]

  def sign_in(person, password = Demo::World::PASSWORD)
    post("/api/auth/login", JSON.generate(email: "#{person}@fernhollow.example", password: password), json)
    self
  end

  # @return [Array(Integer, Hash)] status and parsed body
  def call(method, path, body = nil, headers = {})
    env = body.nil? ? headers : json.merge(headers)
    custom_request(method.to_s.upcase, path, {}, env.merge(input: body.nil? ? nil : JSON.generate(body)).compact)
    if path.start_with?("/api") && last_response.status != 404 &&
         last_response.headers["content-type"].to_s.match?(/json/) && described?(path)
      assert_response_schema_confirm(last_response.status)
    end
    [last_response.status, parsed]
  end

  private

  def described?(path)
    !path.start_with?("/api/auth")
  end

  def json
    { "CONTENT_TYPE" => "application/json", "HTTP_ACCEPT" => "application/json" }
  end

  def parsed
    if last_response.body.empty? || !last_response.headers["content-type"].to_s.include?("json")
      {}
    else
      JSON.parse(last_response.body)
    end
  end
end

# The web application over a world of its own.
module ApiWorld
  module_function

  def world
    SpecWorld.shared
  end

  # Over the world of the spec file that is running.
  def app
    return @app if @over == world

    @over = world
    @environment = environment = world.environment.dup
    environment.bus = @bus = AskFirst::Edge::LiveBus.connect(world.settings.web_url)
    world.closing = -> { environment.bus.stop }
    @app = AskFirst::Web::Server.build(environment)
  end

  # What its acts work with.
  def environment
    app && @environment
  end

  # What tells open pages that something changed.
  def bus
    app && @bus
  end

  def client(person = nil)
    client = ApiClient.new(app)
    person ? client.sign_in(person) : client
  end
end
