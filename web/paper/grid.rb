# frozen_string_literal: true

module AskFirst
  module Web
    module Paper
      # Weeks as rows of seven days, each as high as its fullest day; a week that is higher than a page goes on on the
      # next.
      class Grid
        NUMBER = 20 # points for the week's number
        DAY = 13
        LINE = 11 # of the words
        WEEKDAYS = %w[Sun Mon Tue Wed Thu Fri Sat].freeze
        # how a line is set. picture: height · under: whether it stands over the words, across the day
        Look = Struct.new(:picture, :under, :words, keyword_init: true)
        MONTH = Look.new(picture: 20, under: false, words: 2)
        WEEK = Look.new(picture: 62, under: true, words: 3)

        # @param sheet [Sheet]
        # @param weeks [Array<Hash>] {number:, days: [{date:, inside:, works:, notes: [String]}]}
        # @param entries [Hash{String=>Array<Hash>}] day => {time:, marks:, words:, state:, colour:, picture:}
        # @param look [Look]
        def initialize(sheet, weeks, entries, look)
          @sheet = sheet
          @weeks = weeks
          @entries = entries
          @look = look
        end

        def draw
          weekdays
          @weeks.each { |week| row(week) }
        end

        private

        attr_reader :sheet, :look

        def pdf = sheet.pdf
        def width = (pdf.bounds.width - NUMBER) / 7.0
        def left(column) = NUMBER + (column * width)

        def weekdays
          @weeks.first[:days].each_with_index do |day, at|
            name = WEEKDAYS[Date.iso8601(day[:date]).wday]
            sheet.line(name, at: [left(at) + 4, pdf.cursor], width: width - 6, bold: true)
          end
          pdf.move_down(13)
        end

        # A day's lines in parts that fit: the first into what is left of this page, if the row fits there at all.
        def row(week)
          lines = week[:days].map { |day| @entries.fetch(day[:date], []).dup }
          heads = week[:days].map { |day| head_height(day) }
          first = true
          until lines.all?(&:empty?) && !first
            wanted = heads.zip(lines).map { |head, own| (first ? head : DAY) + own.sum { |one| height(one) } + 6 }.max
            next_page if sheet.room < [wanted, 120].min
            band(week, lines, heads, [wanted, sheet.room].min, first)
            first = false
          end
        end

        def next_page
          pdf.start_new_page
          weekdays
        end

        def band(week, lines, heads, high, first)
          top = pdf.cursor
          sheet.rule(top, width: first ? 1 : 0.5, colour: first ? Sheet::INK : Sheet::RULE)
          sheet.line(week[:number].to_s, at: [0, top - 3], width: NUMBER, size: 7, colour: Sheet::QUIET) if first
          week[:days].each_with_index do |day, at|
            ground(day, left(at), top, high)
            used = first ? head(day, left(at), top) : DAY
            column(lines[at], left(at), top - (first ? heads[at] : used), top - high + 3)
          end
          pdf.move_cursor_to(top - high)
        end

        def ground(day, from, top, high)
          sheet.fill(Sheet::REST, from, top - 0.5, width, high - 0.5) unless day[:works]
          pdf.stroke_color(Sheet::RULE)
          pdf.line_width(0.5)
          pdf.stroke_vertical_line(top, top - high, at: from)
        end

        def head_height(day) = DAY + (day[:notes].size * 9)

        def head(day, from, top)
          number = Date.iso8601(day[:date]).then { |date| date.mday == 1 ? date.strftime("%-d %b") : date.mday.to_s }
          colour = day[:inside] ? Sheet::INK : Sheet::QUIET
          sheet.line(number, at: [from + 4, top - 3], width: width - 6, bold: day[:inside], colour: colour)
          day[:notes].each_with_index do |note, at|
            sheet.line(note, at: [from + 4, top - DAY - (at * 9)], width: width - 6, size: 7, colour: Sheet::QUIET)
          end
          head_height(day)
        end

        # Takes off the list what was set.
        def column(lines, from, top, floor)
          while lines.any? && (top - height(lines.first) >= floor)
            one = lines.shift
            entry(one, from + 3, top)
            top -= height(one)
          end
        end

        def height(one)
          words = look.words * LINE
          return 14 + words + 3 + (one[:picture] ? look.picture + 2 : 0) if look.under

          [11 + words, one[:picture] ? look.picture : 0].max + 3
        end

        def entry(one, from, top)
          sheet.fill(one[:colour], from, top - 1, 2, height(one) - 4)
          inner = from + 5
          room = width - 10
          if one[:picture] && look.under
            sheet.picture(one[:picture], inner, top - 1, room, look.picture)
            top -= look.picture + 2
          elsif one[:picture]
            sheet.picture(one[:picture], inner, top - 1, look.picture, look.picture)
            inner += look.picture + 3
            room -= look.picture + 3
          end
          sheet.line(
            [one[:time], one[:marks], one[:state]].reject(&:empty?).join(" · "),
            at: [inner, top - 1],
            width: room,
            size: 7,
            colour: one[:said] || one[:colour]
          )
          sheet.block(one[:words], at: [inner, top - 11], width: room, height: look.words * LINE)
        end
      end
    end
  end
end
