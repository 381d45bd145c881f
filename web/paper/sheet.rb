# frozen_string_literal: true

require "prawn"

module AskFirst
  module Web
    module Paper
      # A document on A4 paper as PDF (ISO 32000): its fonts, colours, head and foot. Letters that the house's font
      # lacks come from two fonts of wide coverage; scripts that run from right to left are set as they come, unshaped.
      class Sheet
        FONTS = File.expand_path("fonts", __dir__)
        WIDE = {
          "wide" => "/usr/share/fonts/truetype/dejavu/DejaVuSans.ttf",
          "widest" => "/usr/share/fonts/truetype/droid/DroidSansFallbackFull.ttf"
        }.freeze
        MARGIN = 30
        HEAD = 38 # points under the upper margin
        FOOT = 16 # points above the lower margin
        HIGH = 1.4 # of a line, by the size of its letters: the house's font takes 1.3
        INK = "16191c"
        QUIET = "4c5358"
        RULE = "d2d5d1"
        REST = "f1f2f0"
        # as on the screen
        STAGES = {
          "drafting" => "5f666c",
          "internal_review" => "8a5200",
          "client_approval" => "55389a",
          "cleared" => "17693f",
          "released" => "0a5a78",
          "out" => INK,
          "changes_wanted" => "b4380f",
          "held" => QUIET,
          "trouble" => "b00d2b"
        }.freeze
        TYPE = "application/pdf"

        # @param title [String]
        # @param beside [String] what stands under it
        # @param made [String] when it was made, in words
        # @param at [Time] the same, for the file
        # @param layout [Symbol] :landscape or :portrait
        def initialize(title:, beside:, made:, at:, layout: :landscape)
          @made = made
          @pdf =
            Prawn::Document.new(
              page_size: "A4",
              page_layout: layout,
              margin: [MARGIN, MARGIN, MARGIN + FOOT, MARGIN],
              info: {
                Title: title,
                Creator: "Ask First",
                CreationDate: at
              }
            )
          fonts
          head(title, beside)
        end

        # @yieldparam pdf [Prawn::Document] with its cursor under the head
        # @return [String] bytes
        def render
          yield pdf
          foot
          pdf.render
        end

        # The space that is left on this page.
        def room = pdf.cursor

        # One line of text, cut where it has to be.
        # @return [void]
        def line(text, at:, width:, size: 8, bold: false, colour: INK)
          pdf.fill_color(colour)
          pdf.text_box(
            text.empty? ? " " : text,
            at: at,
            width: [width, 1].max,
            height: size * HIGH,
            size: size,
            style: bold ? :bold : :normal,
            overflow: :truncate,
            single_line: true
          )
        end

        # Text in as many lines as fit.
        def block(text, at:, width:, height:, size: 8, bold: false, colour: INK)
          pdf.fill_color(colour)
          pdf.text_box(
            text.empty? ? " " : text,
            at: at,
            width: width,
            height: height,
            size: size,
            style: bold ? :bold : :normal,
            overflow: :truncate
          )
        end

        # Text to its end, over further pages where it has to be.
        # @param left [Numeric] points from the left margin
        def flow(text, left: 0, size: 8, colour: INK)
          pdf.bounding_box([left, pdf.cursor], width: pdf.bounds.width - left) do
            pdf.fill_color(colour)
            pdf.text(text, size: size, leading: size * 0.1)
          end
        end

        # Goes to the next page where this much would not fit on this one.
        def needs(height)
          pdf.start_new_page if room < height
        end

        def fill(colour, left, top, width, height)
          pdf.fill_color(colour)
          pdf.fill_rectangle([left, top], width, height)
        end

        def rule(top, left: 0, right: pdf.bounds.width, width: 0.5, colour: RULE)
          pdf.stroke_color(colour)
          pdf.line_width(width)
          pdf.stroke_horizontal_line(left, right, at: top)
        end

        # @param bytes [String] of a JPEG
        def picture(bytes, left, top, width, height)
          pdf.image(StringIO.new(bytes), at: [left, top], fit: [width, height])
        end

        attr_reader :pdf

        private

        def fonts
          pdf.font_families.update(
            "house" => {
              normal: File.join(FONTS, "HankenGrotesk-Regular.ttf"),
              bold: File.join(FONTS, "HankenGrotesk-Bold.ttf")
            },
            **WIDE.transform_values { |file| { normal: file, bold: file } }
          )
          pdf.font("house")
          pdf.fallback_fonts(WIDE.keys)
        end

        def head(title, beside)
          line(title, at: [0, pdf.cursor], width: pdf.bounds.width, size: 17, bold: true)
          line(beside, at: [0, pdf.cursor - 20], width: pdf.bounds.width, size: 9, colour: QUIET)
          pdf.move_down(HEAD)
        end

        def foot
          pdf.fill_color(QUIET)
          width = pdf.bounds.width
          more = { size: 7, color: QUIET }
          pdf.number_pages(@made, at: [0, -FOOT], width: width, align: :left, **more)
          pdf.number_pages("<page> of <total>", at: [0, -FOOT], width: width, align: :right, **more)
        end
      end
    end
  end
end
