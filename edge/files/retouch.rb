# frozen_string_literal: true

require "vips"

module AskFirst
  module Edge
    module Files
      # Makes a picture of another one by the steps of Core::Media::Edit, with libvips.
      class Retouch
        TURN = { 90 => :d90, 180 => :d180, 270 => :d270 }.freeze
        FONT = "DejaVu Sans Bold" # set up with the application
        ROOM = 0.9 # of the width that words may take
        SAVES = {
          "image/jpeg" => ->(image) { image.jpegsave_buffer(Q: 92, strip: true) },
          "image/png" => ->(image) { image.pngsave_buffer(strip: true) },
          "image/webp" => ->(image) { image.webpsave_buffer(Q: 90, strip: true) }
        }.freeze
        # of what can be read and is not written
        WRITTEN_AS = { "image/gif" => "image/png", "image/avif" => "image/jpeg" }.freeze

        # @param bytes [String] of the original
        # @param edit [Hash] as of Core::Media::Edit.clean
        # @param mime [String] of the original
        # @param font [String, nil] path of the file in whose letters words are written
        # @return [String] bytes, without hidden data
        # @raise [Core::Invalid] picture_broken, font_broken
        def call(bytes, edit, mime, font = nil)
          image = Vips::Image.new_from_buffer(bytes, "", fail_on: Pictures::STRICT).autorot
          image = image.colourspace(:srgb) unless image.interpretation == :srgb
          plan = Core::Media::Edit.plan(image.width, image.height, edit)
          image = image.rot(TURN.fetch(edit["turn"])) if edit["turn"]
          image = level(image, edit["level"], plan["levelled"]) if edit["level"]
          image = image.crop(*plan["crop"])
          image = tone(image, edit.fetch("light", 0), edit.fetch("contrast", 0)) if edit["light"] || edit["contrast"]
          image = write(image, edit["words"], letters(font)) if edit["words"]
          save(image, WRITTEN_AS.fetch(mime, mime))
        rescue Vips::Error
          raise Core::Invalid.new(
                  "picture_broken",
                  "The picture's data is broken or cut off.",
                  field: "file",
                  way_on: "Save it again and upload that."
                )
        end

        private

        def save(image, mime)
          SAVES.fetch(mime).call(mime == "image/jpeg" && image.has_alpha? ? image.flatten(background: 255) : image)
        end

        # Turned about its middle, and the corners that come in cut away.
        def level(image, tenths, size)
          turned = image.rotate(tenths / 10.0)
          left, top = [turned.width, turned.height].zip(size).map { |whole, part| (whole - part) / 2 }
          turned.crop(left, top, *size)
        end

        # Around the middle grey; what is seen through stays so.
        def tone(image, light, contrast)
          slope = 1 + (contrast / 100.0)
          lift = (127.5 * (1 - slope)) + (light * 1.275)
          alpha = image.has_alpha? ? image.extract_band(image.bands - 1) : nil
          plain = alpha ? image.extract_band(0, n: image.bands - 1) : image
          toned = plain.linear([slope] * plain.bands, [lift] * plain.bands).cast(:uchar)
          (alpha ? toned.bandjoin(alpha.cast(:uchar)) : toned).copy(interpretation: :srgb)
        end

        # One line on a band of its ground, over the whole width; a long one is made smaller until it has room.
        def write(image, words, letters)
          flat = image.has_alpha? ? image.flatten(background: 255) : image
          height = [flat.height * words["size"] / 1000, 8].max
          mask = mask(words["text"], height, (flat.width * ROOM).to_i, letters)
          band = [(mask.height * 1.6).round, flat.height].min
          top = { "top" => 0, "middle" => (flat.height - band) / 2, "bottom" => flat.height - band }.fetch(words["at"])
          ground = plain(flat.width, band, words["ground"])
          colour = plain(flat.width, band, words["colour"])
          room = mask.embed((flat.width - mask.width) / 2, (band - mask.height) / 2, flat.width, band)
          flat.insert(room.ifthenelse(colour, ground, blend: true), 0, top).copy(interpretation: :srgb)
        end

        # What Pango is told of a font: its name, as its file says it, and where that is.
        def letters(path)
          return { font: FONT } unless path

          name = Tools.run("fc-scan", "--format", "%{family[0]} %{style[0]}\n", path).to_s.lines.first.to_s.strip
          raise font_broken if name.empty?

          { font: name.force_encoding(Encoding::UTF_8).scrub(""), fontfile: path }
        end

        def font_broken
          Core::Invalid.new(
            "font_broken",
            "The font's file cannot be read.",
            field: "words",
            way_on: "Choose another one."
          )
        end

        def mask(text, height, width, letters)
          escaped = text.gsub("&", "&amp;").gsub("<", "&lt;")
          made = Vips::Image.text(escaped, dpi: (height * 5.4).round, **letters)
          made.width > width ? made.resize(width / made.width.to_f) : made
        end

        def plain(width, height, hex)
          red, green, blue = hex.delete_prefix("#").scan(/../).map { |pair| pair.to_i(16) }
          Vips::Image.black(width, height).new_from_image([red, green, blue]).cast(:uchar).copy(interpretation: :srgb)
        end
      end
    end
  end
end
