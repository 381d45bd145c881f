# frozen_string_literal: true

module AskFirst
  module Web
    # Serves the built interface: its files by name, and its one page for every other address. The client's review is a
    # build of its own. The bare review address shows who asks and nothing else; opening it changes nothing.
    class Interface
      TYPES = {
        ".html" => "text/html; charset=utf-8",
        ".js" => "text/javascript; charset=utf-8",
        ".css" => "text/css; charset=utf-8",
        ".woff2" => "font/woff2",
        ".svg" => "image/svg+xml",
        ".json" => "application/json",
        ".webmanifest" => "application/manifest+json",
        ".png" => "image/png"
      }.freeze

      # in the order in which they are chosen: name as in HTTP => what the file's name ends with
      ENCODINGS = { "br" => ".br", "gzip" => ".gz" }.freeze

      # @param folder [String] ui/dist
      def initialize(folder)
        @folder = folder
      end

      def call(env)
        return Problem.reply(404, "not_found", "That is not here.") unless %w[GET HEAD].include?(env["REQUEST_METHOD"])

        path = Rack::Utils.clean_path_info(Rack::Utils.unescape_path(env["PATH_INFO"]))
        build, name = path.start_with?("/review") ? ["review", path.delete_prefix("/review")] : ["app", path]
        file(env, build, name)
      end

      private

      def file(env, build, name)
        full = File.join(@folder, build, name)
        known = TYPES.key?(File.extname(name)) && File.file?(full)
        full = File.join(@folder, build, "index.html") unless known
        unless File.file?(full)
          return 503, { "content-type" => "text/plain" }, ["The interface has not been built yet: run bin/start."]
        end

        headers = { "content-type" => TYPES.fetch(File.extname(full)), "vary" => "accept-encoding" }
        headers["cache-control"] = if known && name.include?("/assets/")
          "public, max-age=31536000, immutable"
        else
          "no-cache"
        end
        headers["content-security-policy"] = SafeHeaders.holding(File.read(full)) if full.end_with?("review/index.html")
        deliver(env, full, headers)
      end

      # Builds leave compressed files beside each, so that a page on a phone loads fast.
      def deliver(env, full, headers)
        taken = Rack::Utils.q_values(env["HTTP_ACCEPT_ENCODING"]).select { |_, share| share.positive? }.map(&:first)
        encoding = ENCODINGS.keys.find { |one| taken.include?(one) && File.file?(full + ENCODINGS.fetch(one)) }
        if encoding
          full += ENCODINGS.fetch(encoding)
          headers = headers.merge("content-encoding" => encoding)
        end
        body = File.binread(full)
        [200, headers.merge("content-length" => body.bytesize.to_s), env["REQUEST_METHOD"] == "HEAD" ? [] : [body]]
      end
    end
  end
end
