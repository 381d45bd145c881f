# frozen_string_literal: true

module AskFirst
  module Web
    # Refuses unsafe requests that another site sent: by Sec-Fetch-Site, and by Origin where a browser is older.
    class SameOrigin
      SAFE = %w[GET HEAD OPTIONS].freeze

      def initialize(app)
        @app = app
      end

      def call(env)
        return @app.call(env) if SAFE.include?(env["REQUEST_METHOD"]) || from_here?(env)

        Problem.reply(403, "cross_site", "This request came from another site and was not done.", way_on: "Open Ask First itself and do it there.")
      end

      private

      def from_here?(env)
        site = env["HTTP_SEC_FETCH_SITE"]
        return %w[same-origin none].include?(site) if site

        origin = env["HTTP_ORIGIN"]
        origin.nil? || URI.parse(origin).host == Rack::Request.new(env).host
      rescue URI::InvalidURIError
        false
      end
    end
  end
end
