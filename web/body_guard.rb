# frozen_string_literal: true

require "stringio"

module AskFirst
  module Web
    # Before anything reads them: addresses with NUL or broken UTF-8, queries that cannot be taken apart, forms where
    # there are none, and JSON that is too large or no UTF-8.
    class BodyGuard
      MOST = 2 * 1024 * 1024
      # an escaped half of a surrogate pair without its other half, as browsers write it
      HALF_PAIR =
        /(?<!\\)(?:\\\\)*(?:\\u[dD][89abAB]\h{2}(?!\\u[dD][c-fC-F]\h{2})|(?<!\\u[dD][89abAB]\h\h)\\u[dD][c-fC-F]\h{2})/n

      FORM = %r{\A(?:multipart/|application/x-www-form-urlencoded)}

      def initialize(app)
        @app = app
      end

      def call(env)
        return broken if broken_address?(env)
        return no_form if form?(env)
        return @app.call(env) unless env["CONTENT_TYPE"].to_s.strip.downcase.start_with?("application/json")

        body = env["rack.input"]&.read(MOST + 1).to_s
        if body.bytesize > MOST
          return(
            Problem.reply(
              413,
              "too_large",
              "That is more than #{MOST / 1024 / 1024} MB of text.",
              way_on: "Shorten it; what you typed stays in the field."
            )
          )
        end
        return half_pair if HALF_PAIR.match?(body)
        return broken unless body.dup.force_encoding(Encoding::UTF_8).valid_encoding?

        env["rack.input"] = StringIO.new(body)
        @app.call(env)
      end

      private

      def broken_address?(env)
        address = Rack::Utils.unescape_path("#{env["PATH_INFO"]}#{env["QUERY_STRING"].to_s.tr("+", " ")}")
        Rack::Utils.parse_nested_query(env["QUERY_STRING"].to_s)
        address.include?("\0") || !address.dup.force_encoding(Encoding::UTF_8).valid_encoding?
      rescue ArgumentError, TypeError, RangeError, Rack::QueryParser::QueryLimitError
        true
      end

      # The API takes JSON and files, and nothing that a form of another site could send.
      def form?(env)
        env["PATH_INFO"].start_with?("/api") && FORM.match?(env["CONTENT_TYPE"].to_s.strip.downcase) &&
          (env["CONTENT_LENGTH"].to_i.positive? || env["HTTP_TRANSFER_ENCODING"])
      end

      def no_form
        Problem.reply(415, "bad_type", "A form is not taken here.", way_on: "Send JSON.")
      end

      def half_pair
        Problem.reply(
          422,
          "bad_characters",
          "The text holds half of a character pair and cannot be kept like this.",
          field: "value",
          way_on: "Delete the broken character (it shows as a box) and type it again; nothing you typed is lost."
        )
      end

      def broken
        Problem.reply(
          400,
          "bad_encoding",
          "The request is not readable text (UTF-8).",
          way_on: "Send it again as UTF-8."
        )
      end
    end
  end
end
