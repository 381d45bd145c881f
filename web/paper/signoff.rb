# frozen_string_literal: true

module AskFirst
  module Web
    module Paper
      # A sign-off sheet: each post on each channel with its picture and words, and under it everything that was said
      # about it. Size and root of the sealed record stand at its foot.
      class Signoff
        PICTURE = 56
        HEAD = 62
        LINE = 24
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
              made: "As counted by the record at #{wall} (#{@facts[:zone]})",
              at: @facts[:now],
              layout: :portrait
            )
          @sheet.render { draw }
        end

        private

        attr_reader :sheet

        def pdf = sheet.pdf
        def wall = Core::Plan::WallTime.at(@facts[:now], @facts[:zone]).wall.strftime("%-d %B %Y, %H:%M")

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
          next_page if sheet.room < HEAD + LINE
          head(rows.first)
          rows.each do |row|
            next_page if sheet.room < LINE
            said(row)
          end
          pdf.move_down(10)
        end

        def next_page = pdf.start_new_page

        def head(row)
          top = pdf.cursor
          sheet.rule(top, width: 1, colour: Sheet::INK)
          picture = @facts[:pictures][row[:rendition_id]]
          sheet.picture(picture, 0, top - 5, PICTURE, HEAD - 12) if picture
          left = PICTURE + 10
          width = pdf.bounds.width - left
          time = row["planned"].empty? ? "no time yet" : "#{row["planned"]} #{row["zone"]}"
          sheet.line(row["post"].to_s, at: [left, top - 5], width: width, size: 11, bold: true)
          about = "#{row["channel"]}, #{time}, #{row["stage"]}"
          sheet.line(about, at: [left, top - 20], width: width, size: 8, colour: Sheet::QUIET)
          sheet.block(row[:text], at: [left, top - 32], width: width, height: 24, size: 8)
          pdf.move_down(HEAD)
        end

        def said(row)
          top = pdf.cursor
          sheet.rule(top)
          sheet.line(row["said"], at: [0, top - 3], width: PICTURE, size: 9, bold: true, colour: colour(row))
          left = PICTURE + 10
          width = pdf.bounds.width - left
          sheet.line(sentence(row), at: [left, top - 3], width: width, size: 9)
          sheet.line(small(row), at: [left, top - 14], width: width, size: 7, colour: Sheet::QUIET)
          pdf.move_down(LINE)
        end

        def colour(row)
          row["said"] == "yes" && row["counts"] == "yes" ? YES : OTHER
        end

        def sentence(row)
          who = row["by"] == row["person"] || row["person"].empty? ? row["by"] : "#{row["by"]} for #{row["person"]}"
          words = row["words"].empty? ? "" : ": “#{row["words"]}”"
          "#{who}, #{row["step"]}, #{row["at"]}, #{row["way"]}#{words}"
        end

        def small(row)
          [
            (row["counts"] == "yes" ? "counts" : "does not count any more"),
            row["revision"] && "revision #{row["revision"]}",
            "fingerprint #{row["fingerprint"]}",
            row["place"] ? "entry #{row["place"]} of the record" : row["record"]
          ].compact.join(", ")
        end
      end
    end
  end
end
