# frozen_string_literal: true

require "json"

module AskFirst
  module Edge
    module Files
      # Reads and makes videos ready with FFmpeg.
      class Films
        TYPES = %w[video/mp4 video/quicktime video/webm].freeze
        ENDINGS = { "video/mp4" => "mp4", "video/quicktime" => "mov", "video/webm" => "webm" }.freeze

        # @param io [IO]
        # @return [Hash] width, height (upright), duration_ms
        # @raise [Core::Invalid] video_broken
        def inspect(io)
          said = Tools.at_path(io) { |path| Tools.run("ffprobe", "-v", "error", "-print_format", "json", "-show_streams", "-show_format", path) }
          film = said && JSON.parse(said)
          stream = film && film["streams"].to_a.find { |one| one["codec_type"] == "video" }
          seconds = film && (film.dig("format", "duration") || stream&.fetch("duration", nil)).to_f
          raise broken unless stream && seconds.positive?

          width, height = stream.values_at("width", "height")
          { width: sideways?(stream) ? height : width, height: sideways?(stream) ? width : height, duration_ms: (seconds * 1000).round }
        end

        # @return [IO] a JPEG of its first second
        def preview(io)
          bytes = Tools.at_path(io) { |path|
            Tools.run("ffmpeg", "-v", "error", "-i", path, "-vf", "thumbnail=25,scale='min(1200,iw)':-2", "-frames:v", "1", "-f", "image2pipe", "-c:v", "mjpeg", "-")
          }
          raise broken if bytes.nil? || bytes.empty?

          StringIO.new(bytes)
        end

        # The same pictures and sound without hidden data, ready to be played while it loads.
        # @return [String] bytes
        def render(io, mime)
          Tools.at_path(io) do |path|
            Tempfile.create(["film", ".#{ENDINGS.fetch(mime)}"]) do |made|
              Tools.run("ffmpeg", "-v", "error", "-y", "-i", path, "-map", "0:v:0", "-map", "0:a:0?", "-map_metadata", "-1", "-fflags", "+bitexact", "-c", "copy", "-movflags", "+faststart",
                made.path) or raise broken
              ::File.binread(made.path)
            end
          end
        end

        private

        def sideways?(stream)
          turned = stream["side_data_list"].to_a.filter_map { |data| data["rotation"] }.first || stream.dig("tags", "rotate")
          (turned.to_i % 180).abs == 90
        end

        def broken
          Core::Invalid.new("video_broken", "The video's data is broken or cut off, or it holds no pictures.", field: "file", way_on: "Export it again as MP4.")
        end
      end
    end
  end
end
