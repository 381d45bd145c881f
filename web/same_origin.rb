# frozen_string_literal: true

module AskFirst
  module Web
    # Refuses unsafe requests that another site sent: by Sec-Fetch-Site, and by Origin where a browser is older.
    class SameOrigin
      SAFE = %w[GET HEAD OPTIONS].freeze

      # @param public_url [String] where people reach the application
      def initialize(app, public_url)
        @app = app
        @public = origin_of(URI.parse(public_url))
      end

      def call(env)
        return @app.call(env) if SAFE.include?(env["REQUEST_METHOD"]) || from_here?(env)

        Problem.reply(
          403,
          "cross_site",
          "This request came from another site and was not done.",
          way_on: "Open Ask First itself and do it there."
        )
      end

      private

      def from_here?(env)
        site = env["HTTP_SEC_FETCH_SITE"]
        return %w[same-origin none].include?(site) if site

        origin = env["HTTP_ORIGIN"]
        origin.nil? || [@public, here(env)].include?(origin_of(URI.parse(origin)))
      rescue URI::InvalidURIError
        false
      end

      # Scheme, host and port (RFC 6454). What a request says of a proxy before us is not believed.
      def origin_of(uri)
        "#{uri.scheme}://#{uri.host}:#{uri.port}"
      end

      def here(env)
        origin_of(URI.parse("#{env["rack.url_scheme"]}://#{env["HTTP_HOST"] || env["SERVER_NAME"]}"))
      end
    end
  end
end
