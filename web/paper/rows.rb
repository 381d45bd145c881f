# frozen_string_literal: true

module AskFirst
  module Web
    module Paper
      # What goes out, one under the other, day by day.
      class Rows
        HIGH = 48
        DAY = 20
        PICTURE = 60
        TIME = 44

        # @param sheet [Sheet]
        # @param days [Array<Array(String, Array<Hash>)>] heading => {time:, marks:, words:, state:, colour:, beside:,
        #   picture:}
        def initialize(sheet, days)
          @sheet = sheet
          @days = days
        end

        def draw
          @days.each do |heading, entries|
            next_page if sheet.room < DAY + HIGH
            day(heading)
            entries.each do |one|
              next_page if sheet.room < HIGH
              entry(one, pdf.cursor)
              pdf.move_down(HIGH)
            end
          end
          sheet.line("Nothing is planned in these days.", at: [0, pdf.cursor], width: 300, size: 9) if @days.empty?
        end

        private

        attr_reader :sheet

        def pdf = sheet.pdf
        def next_page = pdf.start_new_page

        def day(heading)
          sheet.rule(pdf.cursor, width: 1, colour: Sheet::INK)
          sheet.line(heading, at: [0, pdf.cursor - 5], width: pdf.bounds.width, size: 9, bold: true)
          pdf.move_down(DAY)
        end

        def entry(one, top)
          sheet.rule(top, left: TIME)
          sheet.line(one[:time], at: [0, top - 5], width: TIME - 4, size: 9)
          sheet.picture(one[:picture], TIME, top - 4, PICTURE, HIGH - 8) if one[:picture]
          left = TIME + PICTURE + 8
          right = 130
          words = pdf.bounds.width - left - right - 10
          sheet.block(one[:words], at: [left, top - 5], width: words, height: 28, size: 10, bold: true)
          sheet.line(one[:beside], at: [left, top - 33], width: words, size: 8, colour: Sheet::QUIET)
          sheet.line(
            one[:state],
            at: [pdf.bounds.width - right, top - 5],
            width: right,
            size: 9,
            bold: true,
            colour: one[:colour]
          )
          sheet.line(one[:marks], at: [pdf.bounds.width - right, top - 19], width: right, colour: Sheet::QUIET)
        end
      end
    end
  end
end
