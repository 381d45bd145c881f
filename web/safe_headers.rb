# frozen_string_literal: true

module AskFirst
  module Web
    # What every reply carries. The interface's styles come from scripts (Ant Design Vue), so style elements are allowed
    # there and nowhere else; the client's review needs no exception.
    class SafeHeaders
      COMMON =
        "default-src 'none'; script-src 'self'; img-src 'self' blob: data:; media-src 'self'; font-src 'self'; " \
          "connect-src 'self'; manifest-src 'self'; " \
          "base-uri 'none'; form-action 'self'; frame-ancestors 'none'"
      APP = "#{COMMON}; style-src 'self'; style-src-elem 'self' 'unsafe-inline'; style-src-attr 'none'".freeze
      REVIEW = "#{COMMON}; style-src 'self'".freeze

      # What a page of the build holds itself may run and style it (CSP level 3, hashes), and nothing else does.
      # @param html [String]
      # @return [String] the policy of that page
      def self.holding(html)
        %w[script style].reduce(REVIEW) do |policy, tag|
          own = html.scan(%r{<#{tag}>(.*?)</#{tag}>}m).map { |(text)| " 'sha256-#{Digest::SHA256.base64digest(text)}'" }
          policy.sub("#{tag}-src 'self'") { |part| part + own.join }
        end
      end

      YEAR = 31_536_000 # seconds

      # @param secure [Boolean] whether people reach us behind TLS: then only so, for a year (RFC 6797)
      def initialize(app, secure: false)
        @app = app
        @secure = secure
      end

      def call(env)
        status, headers, body = @app.call(env)
        path = env["PATH_INFO"]
        headers["content-security-policy"] ||= path.start_with?("/review") ? REVIEW : APP # a route may be stricter
        headers["referrer-policy"] = "no-referrer"
        headers["x-content-type-options"] = "nosniff"
        headers["cross-origin-opener-policy"] = "same-origin"
        headers["cross-origin-resource-policy"] = "same-origin"
        headers["permissions-policy"] = "camera=(), microphone=(), geolocation=()"
        headers["strict-transport-security"] = "max-age=#{YEAR}; includeSubDomains" if @secure
        headers["cache-control"] = nil if path.start_with?("/message-bus") # its own allows a private cache
        headers["cache-control"] ||= "no-store" if path.start_with?("/api", "/review", "/message-bus")
        # what may be shared in a cache is for everybody, and names nobody
        headers.delete("set-cookie") if headers["cache-control"].to_s.include?("public")
        [status, headers, body]
      end
    end
  end
end
