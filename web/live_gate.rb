# frozen_string_literal: true

require "rack"
require "stringio"

module AskFirst
  module Web
    # Live updates: a page listens only to clients where its person is a member of the agency side now. Any other name
    # that it asks for, a real client's or an invented one, is not passed on, so both are one silence. What is told
    # names its subscribers (App::Live), so nobody hears on after they left.
    class LiveGate
      POLL = %r{\A/message-bus/[^/]+/poll\z}
      CHANNEL = %r{\A/workspaces/(.+)\z}

      def initialize(app, environment)
        @app = app
        @environment = environment
      end

      def call(env)
        return @app.call(env) unless POLL.match?(env["PATH_INFO"]) && env["REQUEST_METHOD"] == "POST"

        person = LiveGate.person(env) or
          return 200, { "content-type" => "application/json", "cache-control" => "no-store" }, ["[]"]
        narrow(env, workspaces(person))
        @app.call(env)
      end

      # @return [String, nil] who is signed in, with everything that a session needs
      def self.person(env)
        rodauth = env["rodauth"]
        rodauth.session_value if rodauth&.logged_in? && rodauth.authenticated? && rodauth.currently_active_session?
      end

      private

      def workspaces(person_id)
        Store::People::Members
          .of_person(@environment.db, person_id, @environment.now)
          .select { |row| row[:side] == "agency" }
          .to_set { |row| row[:workspace_id] }
      end

      # The body is what the page asks for: channel names with the last message that it has.
      def narrow(env, mine)
        asked = Rack::Utils.parse_query(env["rack.input"]&.read.to_s)
        heard = asked.select { |name, _| (id = name[CHANNEL, 1]).nil? ? name == "__seq" : mine.include?(id) }
        body = URI.encode_www_form(heard)
        env["rack.input"] = StringIO.new(body)
        env["CONTENT_LENGTH"] = body.bytesize.to_s
        env["CONTENT_TYPE"] = "application/x-www-form-urlencoded"
        env.delete("rack.request.form_hash")
        env.delete("rack.request.form_input")
      rescue ArgumentError, EncodingError, Rack::QueryParser::QueryLimitError
        env["rack.input"] = StringIO.new
      end
    end
  end
end
