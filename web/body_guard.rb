# frozen_string_literal: true

require "stringio"

module AskFirst
  module Web
    # Before anything reads them: addresses with NUL or broken UTF-8, and JSON that is too large or no UTF-8.
    class BodyGuard
      MOST = 2 * 1024 * 1024
      # an escaped half of a surrogate pair without its other half, as browsers write it
      HALF_PAIR = /(?<!\\)(?:\\\\)*(?:\\u[dD][89abAB]\h{2}(?!\\u[dD][c-fC-F]\h{2})|(?<!\\u[dD][89abAB]\h\h)\\u[dD][c-fC-F]\h{2})/n

      def initialize(app)
        @app = app
      end

      def call(env)
        return broken if broken_address?(env)
        return @app.call(env) unless env["CONTENT_TYPE"].to_s.strip.downcase.start_with?("application/json")

        body = env["rack.input"]&.read(MOST + 1).to_s
        if body.bytesize > MOST
          return Problem.reply(413, "too_large", "That is more than #{MOST / 1024 / 1024} MB of text.",
            way_on: "Shorten it; what you typed stays in the field.")
        end
        return half_pair if HALF_PAIR.match?(body)
        return broken unless body.dup.force_encoding(Encoding::UTF_8).valid_encoding?

        env["rack.input"] = StringIO.new(body)
        @app.call(env)
      end

      private

      def broken_address?(env)
        address = Rack::Utils.unescape_path("#{env['PATH_INFO']}#{env['QUERY_STRING'].to_s.tr('+', ' ')}")
        address.include?("\0") || !address.dup.force_encoding(Encoding::UTF_8).valid_encoding?
      rescue ArgumentError
        true
      end

      def half_pair
        Problem.reply(422, "bad_characters", "The text holds half of a character pair and cannot be kept like this.", field: "value",
          way_on: "Delete the broken character (it shows as a box) and type it again; nothing you typed is lost.")
      end

      def broken
        Problem.reply(400, "bad_encoding", "The request is not readable text (UTF-8).", way_on: "Send it again as UTF-8.")
      end
    end
  end
end
