# frozen_string_literal: true

require "json"

module AskFirst
  module Edge
    module Files
      # Reads and makes videos ready with FFmpeg.
      class Films
        TYPES = %w[video/mp4 video/quicktime video/webm].freeze
        ENDINGS = { "video/mp4" => "mp4", "video/quicktime" => "mov", "video/webm" => "webm" }.freeze

        EDITING = 900 # seconds that a film may be in the making
        H264 = [%w[-c:v libx264 -preset fast -crf 20 -pix_fmt yuv420p -threads 2], %w[-c:a aac -b:a 160k]].freeze
        VP9 = [%w[-c:v libvpx-vp9 -crf 32 -b:v 0 -deadline realtime -cpu-used 6], %w[-c:a libopus]].freeze
        COPIED = [%w[-c:v copy], %w[-c:a copy]].freeze
        # its pictures alone, without what else lies in it, ready to be played while it loads
        PLAIN = %w[-map 0:v:0 -map_metadata -1 -fflags +bitexact -flags:v +bitexact -movflags +faststart].freeze
        CODED = { "video/mp4" => H264, "video/quicktime" => H264, "video/webm" => VP9 }.freeze

        MOST_PIXELS = 4096 * 4096
        MOST_RATE = 1_000 # pictures a second; more is none
        LONGEST = 60 * 60 # seconds; the cards have their own, shorter limits

        # @param io [IO]
        # @return [Hash] width, height (upright), duration_ms, frame_rate (pictures a second, nil where it does not say)
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
            duration_ms: (seconds * 1000).round,
            frame_rate: frame_rate(stream["avg_frame_rate"])
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

        # @param at [Integer] milliseconds
        # @return [IO] a JPEG of the picture that is seen then
        def still(io, at)
          bytes =
            Tools.at_path(io) do |path|
              size = "scale='min(1200,iw)':-2"
              said = %w[-v error -threads 2 -ss] + [format("%.3f", at / 1000.0), "-i", path, "-vf", size]
              Tools.run("ffmpeg", *said, *%w[-frames:v 1 -f image2pipe -c:v mjpeg -])
            end
          return preview(io) if bytes.nil? || bytes.empty? # behind its last picture

          StringIO.new(bytes)
        end

        # Cut to the picture, so that it is coded anew; only made silent, its pictures stay as they are.
        # @param edit [Hash] of Core::Media::FilmEdit
        # @param into [String] path of the film that is made
        # @raise [Core::Invalid] film_unmade
        def edit(io, edit, mime, into)
          Tools.at_path(io) do |path|
            Tools.run("ffmpeg", *editing(path, edit, mime), *format_of(mime), into, seconds: EDITING) or raise unmade
          end
        end

        # The same pictures and sound without hidden data, ready to be played while it loads.
        # @param into [String] path of the film that is made
        def render(io, mime, into)
          Tools.at_path(io) do |path|
            sound = %w[-map 0:a:0?]
            Tools.run(
              "ffmpeg",
              "-v",
              "error",
              "-y",
              "-i",
              path,
              *PLAIN,
              *sound,
              "-c",
              "copy",
              *format_of(mime),
              into
            ) or raise broken
          end
        end

        private

        # The name of the file does not say what is written.
        def format_of(mime) = ["-f", ENDINGS.fetch(mime)]

        # @param said [String] such as "30000/1001"; "0/0" where it is not known
        def frame_rate(said)
          over, under = said.to_s.split("/").map(&:to_i)
          Rational(over, under).round(3).to_f if over.to_i.positive? && under.to_i.positive? && over / under < MOST_RATE
        end

        def editing(path, edit, mime)
          from, to = edit.values_at("start", "end").map { |at| at && format("%.3f", at / 1000.0) }
          pictures, sound = from || to ? CODED.fetch(mime) : COPIED
          [
            "-v",
            "error",
            "-y",
            *(from ? ["-ss", from] : []),
            *(to ? ["-to", to] : []),
            "-i",
            path,
            *PLAIN,
            *pictures,
            *(edit["mute"] ? ["-an"] : ["-map", "0:a:0?", *sound])
          ]
        end

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

        def unmade
          Core::Invalid.new(
            "film_unmade",
            "The film was not made within #{EDITING / 60} minutes, or its data cannot be read to its end.",
            field: "edit",
            way_on: "Cut it where it was made, and upload that as a newer version."
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
