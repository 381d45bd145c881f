# frozen_string_literal: true

module AskFirst
  module Web
    module Paper
      # The plan on paper, to be held in a meeting: a month or a week as a grid, or days as a list, with pictures.
      class Plan
        # @param facts [Hash] title:, clients: {id => name}, narrowed: in words, zone:, now: [Time], pictures: {post =>
        #   bytes}, marks: [Boolean]
        def initialize(facts)
          @facts = facts
        end

        # @param period [Hash] of App::Plan::Period
        # @param week [Boolean] whether it is one
        # @return [String] bytes
        def grid(period, week:)
          weeks = period[:weeks].map { |one| one.merge(days: one[:days].map { |day| noted(day, period[:dates]) }) }
          weeks = weeks.map { |one| one.merge(days: one[:days].map { |day| day.merge(inside: true) }) } if week
          sheet = sheet(:landscape)
          sheet.render { Grid.new(sheet, weeks, by_day(period), week ? Grid::WEEK : Grid::MONTH).draw }
        end

        # @param rows [Array<Hash>] of App::Plan::List
        # @return [String] bytes
        def list(rows)
          days =
            rows
              .group_by { |row| row[:wall][0, 10] }
              .map { |day, own| [Date.iso8601(day).strftime("%A %-d %B %Y"), own.map { |row| listed(row) }] }
          sheet = sheet(:portrait)
          sheet.render { Rows.new(sheet, days).draw }
        end

        private

        attr_reader :facts

        def sheet(layout)
          local = Core::Plan::WallTime.at(facts[:now], facts[:zone]).wall
          place = facts[:zone].split("/").last.tr("_", " ")
          Sheet.new(
            title: facts[:title],
            beside: [facts[:narrowed], "times of #{place}"].reject(&:empty?).join(" · "),
            made: "As it stood on #{local.strftime("%-d %B %Y, %H:%M")}, #{place}",
            at: facts[:now],
            layout: layout
          )
        end

        def noted(day, dates)
          own = dates.select { |date| day[:date].between?(date[:first].to_s, (date[:last] || date[:first]).to_s) }
          names = day[:off].map { |one| one[:name] } + [day[:clock]].compact + own.map { |date| date[:name] }
          day.merge(notes: names.first(4))
        end

        def by_day(period)
          lines = period[:lines].map { |line| [line[:wall], planned(line)] }
          marks = facts[:marks] ? period[:marks].map { |mark| ["#{mark[:day]}T#{mark[:clock]}", pencilled(mark)] } : []
          (lines + marks).sort_by(&:first).group_by { |wall, _| wall[0, 10] }.transform_values { |own| own.map(&:last) }
        end

        def planned(line)
          {
            time: clock(line[:wall][11, 5]),
            marks: line[:channels].map { |channel| channel["initials"] }.join(" "),
            words: [client(line), titled(line)].compact.join(": "),
            state: stage(line),
            colour: Sheet::STAGES.fetch(line[:stage]),
            picture: facts[:pictures][line[:post_id]]
          }
        end

        def pencilled(mark)
          {
            time: mark[:clock] ? clock(mark[:clock]) : "",
            marks: mark[:initials],
            words: mark[:word].empty? ? mark[:label].to_s : mark[:word],
            state: "kept free",
            colour: Sheet::RULE,
            said: Sheet::QUIET,
            picture: nil
          }
        end

        def listed(row)
          beside = [client(row), *row[:labels], row[:campaign], row[:owner][:name]].compact
          planned(row).merge(
            words: titled(row),
            beside: beside.join(" · "),
            marks: row[:channels].map { |channel| channel["name"] }.join(", ")
          )
        end

        def titled(line) = line[:subject].empty? ? "Untitled" : line[:subject]
        def stage(line) = line[:late] ? "past its time" : line[:stage].tr("_", " ")
        def client(line) = facts[:clients].size > 1 ? facts[:clients].fetch(line[:workspace_id]) : nil
        def clock(text) = text.sub(/\A0/, "")
      end
    end
  end
end
