# frozen_string_literal: true

require "json"

module AskFirst
  module Edge
    module Files
      # Reads and makes videos ready with FFmpeg.
      class Films
        TYPES = %w[video/mp4 video/quicktime video/webm].freeze
        ENDINGS = { "video/mp4" => "mp4", "video/quicktime" => "mov", "video/webm" => "webm" }.freeze

        MOST_PIXELS = 4096 * 4096
        LONGEST = 60 * 60 # seconds; the cards have their own, shorter limits

        # @param io [IO]
        # @return [Hash] width, height (upright), duration_ms
        # @raise [Core::Invalid] video_broken, video_too_large, video_too_long
        def inspect(io)
          said =
            Tools.at_path(io) do |path|
              Tools.run("ffprobe", "-v", "error", "-print_format", "json", "-show_streams", "-show_format", path)
            end
          film = said ? JSON.parse(said) : raise(broken)
          stream = film["streams"].to_a.find { |one| one["codec_type"] == "video" } || raise(broken)
          seconds = (film.dig("format", "duration") || stream["duration"]).to_f
          width, height = stream.values_at("width", "height").map(&:to_i)
          raise broken unless [seconds, width, height].all?(&:positive?)

          within!(width, height, seconds)
          {
            width: sideways?(stream) ? height : width,
            height: sideways?(stream) ? width : height,
            duration_ms: (seconds * 1000).round
          }
        end

        # Made small first, and chosen among few: 25 whole frames of a large film took 3 GB.
        # @return [IO] a JPEG of its first second
        def preview(io)
          bytes =
            Tools.at_path(io) do |path|
              Tools.run(
                "ffmpeg",
                "-v",
                "error",
                "-threads",
                "2",
                "-i",
                path,
                "-vf",
                "scale='min(1200,iw)':-2,thumbnail=12",
                "-frames:v",
                "1",
                "-f",
                "image2pipe",
                "-c:v",
                "mjpeg",
                "-"
              )
            end
          raise broken if bytes.nil? || bytes.empty?

          StringIO.new(bytes)
        end

        # The same pictures and sound without hidden data, ready to be played while it loads.
        # @return [String] bytes
        def render(io, mime)
          Tools.at_path(io) do |path|
            Tempfile.create(["film", ".#{ENDINGS.fetch(mime)}"]) do |made|
              Tools.run(
                "ffmpeg",
                "-v",
                "error",
                "-y",
                "-i",
                path,
                "-map",
                "0:v:0",
                "-map",
                "0:a:0?",
                "-map_metadata",
                "-1",
                "-fflags",
                "+bitexact",
                "-c",
                "copy",
                "-movflags",
                "+faststart",
                made.path
              ) or raise broken
              ::File.binread(made.path)
            end
          end
        end

        private

        def within!(width, height, seconds)
          raise too_large(width, height) if width * height > MOST_PIXELS
          raise too_long(seconds) if seconds > LONGEST
        end

        def sideways?(stream)
          turned =
            stream["side_data_list"].to_a.filter_map { |data| data["rotation"] }.first || stream.dig("tags", "rotate")
          (turned.to_i % 180).abs == 90
        end

        def too_large(width, height)
          Core::Invalid.new(
            "video_too_large",
            "The video has #{width} × #{height} pixels; at most #{MOST_PIXELS / 1_000_000} megapixels are taken.",
            field: "file",
            way_on: "Export it smaller."
          )
        end

        def too_long(seconds)
          Core::Invalid.new(
            "video_too_long",
            "The video is #{(seconds / 60).round} minutes long; at most #{LONGEST / 60} are taken.",
            field: "file",
            way_on: "Cut it shorter."
          )
        end

        def broken
          Core::Invalid.new(
            "video_broken",
            "The video's data is broken or cut off, or it holds no pictures.",
            field: "file",
            way_on: "Export it again as MP4."
          )
        end
      end
    end
  end
end
