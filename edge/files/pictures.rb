# frozen_string_literal: true

require "marcel"
require "stringio"
require "vips"

module AskFirst
  module Edge
    module Files
      # Reads and makes pictures with libvips. Loaders that libvips itself does not trust are off. Of what moves the
      # first picture is read and nothing else, however many there are.
      class Pictures
        TYPES = %w[image/jpeg image/png image/webp image/gif image/avif].freeze
        MOST_PIXELS = 100_000_000
        PREVIEW = 1_200
        STRICT = :error # loading fails on any error of the data
        PLACE = {
          latitude: "exif-ifd3-GPSLatitude",
          north_south: "exif-ifd3-GPSLatitudeRef",
          longitude: "exif-ifd3-GPSLongitude",
          east_west: "exif-ifd3-GPSLongitudeRef"
        }.freeze
        UPRIGHT = [[-1, 0, 1], [-2, 0, 2], [-1, 0, 1]].freeze
        JPEG_START = "\xFF\xD8".b.freeze
        JPEG_SCAN = "\xFF\xDA".b.freeze
        JPEG_END = "\xFF\xD9".b.freeze

        Vips.block_untrusted(true) if Vips.respond_to?(:block_untrusted)

        # @param io [IO]
        # @return [Hash] mime, width, height: upright, as people see it
        # @raise [Core::Invalid] not_a_picture, picture_too_large, picture_broken
        def inspect(io)
          io.rewind
          mime = Marcel::MimeType.for(io)
          unless TYPES.include?(mime)
            raise invalid(
                    "not_a_picture",
                    "The file is not a JPEG, PNG, WebP, GIF or AVIF picture, whatever its name says (it looks like " \
                      "#{mime}).",
                    "Export it as JPEG or PNG."
                  )
          end

          image = opened(io)
          if image.width * image.height > MOST_PIXELS
            raise invalid(
                    "picture_too_large",
                    "The picture has #{image.width * image.height / 1_000_000} megapixels; at most " \
                      "#{MOST_PIXELS / 1_000_000} are taken.",
                    "Export it smaller."
                  )
          end

          read_whole(io)
          upright = image.get_typeof("orientation").zero? || image.get("orientation") < 5
          width, height = upright ? [image.width, image.height] : [image.height, image.width]
          { mime: mime, width: width, height: height, **place(image) }
        end

        # @param side [Integer] pixels of the longer side, at most
        # @return [IO] a small JPEG for the screen
        def preview(io, side: PREVIEW)
          io.rewind
          image = Vips::Image.thumbnail_buffer(io.read, side, height: side, size: :down, fail_on: STRICT)
          StringIO.new(jpeg(image))
        rescue Vips::Error
          raise broken
        end

        # @return [Array<Integer>] grey values of the whole picture in so few spots, row by row
        def greys(io, across, down)
          io.rewind
          small = Vips::Image.thumbnail_buffer(io.read, across, height: down, size: :force, fail_on: STRICT)
          small = small.flatten(background: 255) if small.has_alpha?
          small.colourspace(:b_w).extract_band(0).write_to_memory.bytes.first(across * down)
        rescue Vips::Error
          raise broken
        end

        # @return [Array<Array<Integer>>] squares row by row, each with the percent of its spots at which light changes
        #   sharply from left to right (Sobel's operator, its upright half)
        def edges(io)
          io.rewind
          side = Core::Media::TextRegions::SIDE
          cell = Core::Media::TextRegions::CELL
          small = Vips::Image.thumbnail_buffer(io.read, side, height: side, size: :down, fail_on: STRICT)
          grey = small.colourspace(:b_w).extract_band(0).cast(:int)
          sharp = grey.conv(UPRIGHT, precision: :integer).abs > Core::Media::TextRegions::SHARP
          across, down = [sharp.width, sharp.height].map { |one| [one / cell, 1].max }
          sharp = sharp.embed(0, 0, [sharp.width, cell].max, [sharp.height, cell].max)
          cells = sharp.shrink(cell, cell).linear(100 / 255.0, 0).cast(:uchar)
          cells.write_to_memory.bytes.each_slice(cells.width).first(down).map { |row| row.first(across) }
        rescue Vips::Error
          raise broken
        end

        # @return [IO] a square JPEG cut around what catches the eye: a person's or a client's picture
        def square(io, side)
          inspect(io)
          io.rewind
          StringIO.new(
            jpeg(Vips::Image.thumbnail_buffer(io.read, side, height: side, crop: :attention, fail_on: STRICT))
          )
        rescue Vips::Error
          raise broken
        end

        # @param bytes [String] of the original
        # @param spec [Hash] from Core::Media::Framing
        # @return [String] JPEG bytes: upright, cut, sized, in sRGB, without hidden data
        def render(bytes, spec)
          left, top, width, height = spec["crop"]
          image = Vips::Image.new_from_buffer(bytes, "", fail_on: STRICT).autorot.crop(left, top, width, height)
          image = image.thumbnail_image(spec["size"][0], height: spec["size"][1], size: :force) if spec["size"] !=
            [width, height]
          jpeg(image)
        rescue Vips::Error
          raise broken
        end

        private

        # Where its camera wrote that it was taken.
        def place(image)
          said =
            PLACE.transform_values { |field| image.get_typeof(field).zero? ? nil : image.get(field).to_s.scrub("") }
          Core::Media::Place.of(**said)&.then { |latitude, longitude| { latitude: latitude, longitude: longitude } } ||
            {}
        end

        def opened(io)
          io.rewind
          Vips::Image.new_from_buffer(io.read, "", fail_on: STRICT)
        rescue Vips::Error
          raise broken
        end

        # The head of a picture that was cut off reads well; only its last line shows that. Not read in sequence:
        # libvips then paints over what is missing.
        def read_whole(io)
          io.rewind
          bytes = io.read.b
          raise broken if bytes.start_with?(JPEG_START) && jpeg_cut_off?(bytes)

          Vips::Image.new_from_buffer(bytes, "", fail_on: STRICT).avg
        rescue Vips::Error
          raise broken
        end

        # A cut near the end is not always noticed by libvips. Inside the data of a scan no marker can stand (ITU-T
        # T.81, B.1.1.5), so a whole picture has its end (EOI) after its last start of scan (SOS).
        def jpeg_cut_off?(bytes)
          (bytes.rindex(JPEG_END) || 0) < (bytes.rindex(JPEG_SCAN) || 0)
        end

        def broken
          invalid("picture_broken", "The picture's data is broken or cut off.", "Save it again and upload that.")
        end

        def jpeg(image)
          image = image.flatten(background: 255) if image.has_alpha?
          image = image.colourspace(:srgb) unless image.interpretation == :srgb
          image.jpegsave_buffer(Q: 88, strip: true)
        end

        def invalid(code, sentence, way_on)
          Core::Invalid.new(code, sentence, field: "file", way_on: way_on)
        end
      end
    end
  end
end
