# frozen_string_literal: true

module AskFirst
  module Web
    module Paper
      # A sign-off sheet: each post on each channel, each content that something was said about, whole and with its
      # picture, and under it everything that was said. Size and root of the sealed record stand at its foot.
      class Signoff
        PICTURE = 56
        HEAD = 34
        LEFT = PICTURE + 10
        YES = "17693f"
        OTHER = "b4380f"

        # @param sheet [Hash] of App::Signoff::SheetPaper
        def initialize(sheet)
          @facts = sheet
          @top = sheet[:top]
        end

        # @return [String] bytes
        def render
          @sheet =
            Sheet.new(
              title: "Sign-off: #{@facts[:title]}",
              beside: top_words,
              made: "As counted by the record on #{Core::Plan::WallTime.said(@facts[:now], @facts[:zone])}",
              at: @facts[:now],
              layout: :portrait
            )
          @sheet.render { draw }
        end

        private

        attr_reader :sheet

        def pdf = sheet.pdf
        def width = pdf.bounds.width - LEFT

        def top_words
          return "Its record is not sealed yet." unless @top

          "Record: #{@top[:size]} entries, sealed as #{@top[:root]}"
        end

        def draw
          groups = @facts[:rows].group_by { |row| [row[:post_id], row["channel"]] }.values
          sheet.line("Nothing has been said about this yet.", at: [0, pdf.cursor], width: 400, size: 9) if groups.empty?
          groups.each { |rows| group(rows) }
        end

        def group(rows)
          sheet.needs(HEAD * 3)
          head(rows.first)
          rows.group_by { |row| row["fingerprint"] }.each_value { |own| content(own) }
          pdf.move_down(10)
        end

        def head(row)
          top = pdf.cursor
          sheet.rule(top, width: 1, colour: Sheet::INK)
          time = row["planned"].empty? ? "no time yet" : "#{row["planned"]} #{row["zone"]}"
          sheet.line(row["post"].to_s, at: [0, top - 5], width: pdf.bounds.width, size: 11, bold: true)
          about = "#{row["channel"]}, #{time}, #{row["stage"]}"
          sheet.line(about, at: [0, top - 20], width: pdf.bounds.width, size: 8, colour: Sheet::QUIET)
          pdf.move_down(HEAD)
        end

        # One content, over as many pages as it takes, and what was said about it.
        def content(rows)
          request = rows.first[:request]
          sheet.needs(PICTURE + 14)
          top = pdf.cursor
          page = pdf.page_number
          picture = @facts[:pictures][rows.first[:rendition_id]]
          sheet.picture(picture, 0, top, PICTURE, PICTURE) if picture
          words(request) { |label, said| sheet.flow("#{label}: #{said}", left: LEFT, size: 8) }
          sheet.flow("Fingerprint #{rows.first["fingerprint"]}", left: LEFT, size: 7, colour: Sheet::QUIET)
          pdf.move_cursor_to([pdf.cursor, top - PICTURE - 4].min) if picture && pdf.page_number == page
          rows.each { |row| said(row) }
          pdf.move_down(6)
        end

        def words(request, &)
          return yield("Words", "this content is not kept") unless request

          Core::Signoff::ContentWords.of(request).each(&)
        end

        def said(row)
          sheet.needs(30)
          top = pdf.cursor
          sheet.rule(top)
          sheet.line(row["said"], at: [0, top - 3], width: PICTURE, size: 9, bold: true, colour: colour(row))
          pdf.move_down(3)
          sheet.flow(sentence(row), left: LEFT, size: 9)
          sheet.flow(small(row), left: LEFT, size: 7, colour: Sheet::QUIET)
          pdf.move_down(4)
        end

        def colour(row)
          row["said"] == "yes" && row["counts"] == "yes" ? YES : OTHER
        end

        def sentence(row)
          who = row["by"] == row["person"] || row["person"].empty? ? row["by"] : "#{row["by"]} for #{row["person"]}"
          words = row["words"].empty? ? "" : ": “#{row["words"]}”"
          "#{who}, #{row["step"]}, #{row[:said_at]}, #{row["way"]}#{words}"
        end

        def small(row)
          [
            (row["counts"] == "yes" ? "counts" : "does not count any more"),
            row["revision"] && "revision #{row["revision"]}",
            row["place"] ? "entry #{row["place"]} of the record" : row["record"]
          ].compact.join(", ")
        end
      end
    end
  end
end
