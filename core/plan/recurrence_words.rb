# frozen_string_literal: true

module AskFirst
  module Core
    module Plan
      # A rule in words: "every other Thursday", "on the last working day of each month".
      module RecurrenceWords
        DAYS = {
          "MO" => "Monday",
          "TU" => "Tuesday",
          "WE" => "Wednesday",
          "TH" => "Thursday",
          "FR" => "Friday",
          "SA" => "Saturday",
          "SU" => "Sunday"
        }.freeze
        WORKING = "MO,TU,WE,TH,FR"
        NTH = { 1 => "first", 2 => "second", 3 => "third", 4 => "fourth", 5 => "fifth", -1 => "last" }.freeze

        module_function

        # @param recurrence [Recurrence]
        # @return [String] the rule itself where there are no plain words for it
        def of(recurrence)
          words = send(recurrence.part("FREQ").downcase, recurrence)
          [words || recurrence.rule, ending(recurrence)].compact.join(", ")
        end

        def daily(rule) = by?(rule) ? nil : every(rule, "day")

        def weekly(rule)
          return if by?(rule, "BYDAY") || rule.part("BYDAY").to_s.match?(/\d/)

          codes = rule.part("BYDAY")&.split(",") || [DAYS.keys[(rule.first.wday - 1) % 7]]
          return every(rule, "working day") if codes.sort == WORKING.split(",").sort && number(rule) == 1

          names = list(codes.map { |code| DAYS.fetch(code) })
          { 1 => "every #{names}", 2 => "every other #{names}" }[number(rule)] ||
            "every #{number(rule)} weeks on #{names}"
        end

        def monthly(rule)
          on = day_of_month(rule) or return
          number(rule) == 1 ? "on #{on} of each month" : "every #{number(rule)} months on #{on}"
        end

        def yearly(rule)
          by?(rule) ? nil : "#{every(rule, "year")} on #{rule.first.day} #{rule.first.strftime("%B")}"
        end

        def day_of_month(rule)
          days, weekday, at = %w[BYMONTHDAY BYDAY BYSETPOS].map { |name| rule.part(name) }
          return if by?(rule, "BYMONTHDAY", "BYDAY", "BYSETPOS") || (days && (weekday || at))
          return "the #{list((days || rule.first.day.to_s).split(",").map { |day| ordinal(day.to_i) })}" unless weekday

          at ? working_day(weekday, at.to_i) : nth_weekday(weekday)
        end

        def working_day(weekday, at)
          "the #{NTH[at]} working day" if weekday == WORKING && NTH[at]
        end

        def nth_weekday(weekday)
          found = /\A([+-]?\d)(..)\z/.match(weekday)
          "the #{NTH[found[1].to_i]} #{DAYS[found[2]]}" if found && NTH[found[1].to_i]
        end

        def ending(rule)
          count = rule.part("COUNT")
          till = rule.part("UNTIL")
          return "#{count} times" if count

          till && "until #{Date.strptime(till[0, 8], "%Y%m%d").strftime("%-d %B %Y")}"
        end

        # Whether it is narrowed by anything but these.
        def by?(rule, *known) = (%w[BYDAY BYMONTHDAY BYMONTH BYSETPOS] - known).any? { |name| rule.part(name) }
        def number(rule) = (rule.part("INTERVAL") || 1).to_i
        def every(rule, what) = number(rule) == 1 ? "every #{what}" : "every #{number(rule)} #{what}s"
        def list(words) = words.size > 1 ? "#{words[0..-2].join(", ")} and #{words.last}" : words.first

        def ordinal(day)
          return day == -1 ? "last day" : "#{ordinal(-day)} last day" if day.negative?

          ending = day.between?(11, 13) ? "th" : { 1 => "st", 2 => "nd", 3 => "rd" }.fetch(day % 10, "th")
          "#{day}#{ending}"
        end
        private_class_method :daily,
                             :weekly,
                             :monthly,
                             :yearly,
                             :day_of_month,
                             :working_day,
                             :nth_weekday,
                             :ending,
                             :by?,
                             :number,
                             :every,
                             :list,
                             :ordinal
      end
    end
  end
end
