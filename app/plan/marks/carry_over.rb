# frozen_string_literal: true

module AskFirst
  module App
    module Plan
      # Carries a year of a client over to the next as pencil marks: where something went out, something is kept free,
      # on the same weekday or the same date. What stands there already stays.
      class CarryOver < Act
        opens :client, "plan_dates"

        HOW = %w[weekday date].freeze
        WEEKS = 52 * 7 # days: the same weekday a year on
        MOST = 2_000 # marks

        # @param year [String] such as 2026
        # @param how [String] of HOW
        # @param dry [Boolean] only say what would happen
        # @return [Hash] {put: [{day:, channel_id:, word:}], taken:, without:}: marks put; places that were taken; days
        #   that the next year does not have
        # @raise [Core::Invalid] bad_year, bad_how
        def call(year:, how:, dry: false)
          first = Core::Plan::Iso.year(year, now, field: "year")
          raise bad_how unless HOW.include?(how)

          @how = how
          found = moved(first)
          put = on_open_channels(found.compact).uniq { |mark| mark.values_at(:day, :channel_id) }.first(MOST)
          there = taken(put)
          fresh = put.reject { |mark| there.include?(mark.values_at(:day, :channel_id)) }
          keep(fresh, year) unless dry
          { put: fresh.map { |mark| json(mark) }, taken: put.size - fresh.size, without: found.count(nil) }
        end

        private

        # @return [Array<Hash, nil>] marks of the next year; nil for a day that it does not have
        def moved(first)
          last = Date.new(first.year, 12, 31)
          posts(first, last)
            .concat(marks(first, last))
            .map do |mark|
              day = next_year(mark[:day])
              day && mark.merge(day: day)
            end
        end

        def posts(first, last)
          planned(first, last).flat_map do |row|
            label = labels[row[:labels].first]
            row[:channels].map do |channel|
              day, clock = row[:wall].split("T")
              word = row[:subject][0, Core::Plan::PencilMark::WORD]
              { day: Date.iso8601(day), channel_id: channel["id"], clock: clock, word: word, label_id: label }
            end
          end
        end

        def marks(first, last)
          rows(:pencil_marks)
            .where(day: first..last)
            .map { |row| row.slice(:day, :channel_id, :word, :label_id).merge(clock: row[:clock]&.strftime("%H:%M")) }
        end

        # Also on channels that whoever carries over has switched off in their own views.
        def planned(first, last)
          List.call(environment, scope, from: first.iso8601, to: last.iso8601, everything: true)[:rows]
        end

        # On a channel that was archived nothing is planned any more.
        def on_open_channels(marks)
          channels = rows(:channels).where(archived_at: nil).select_map(:id)
          marks.select { |mark| channels.include?(mark[:channel_id]) }
        end

        def labels = @labels ||= rows(:labels).where(merged_into: nil).select_hash(:name, :id)

        def next_year(day)
          return day + WEEKS if @how == "weekday"

          Date.valid_date?(day.year + 1, day.month, day.day) ? Date.new(day.year + 1, day.month, day.day) : nil
        end

        # Where something is planned or pencilled already.
        def taken(put)
          return [] if put.empty?

          days = put.map { |mark| mark[:day] }.minmax
          marked = rows(:pencil_marks).where(day: days.first..days.last).select_map(%i[day channel_id])
          standing =
            planned(*days).flat_map { |row| row[:channels].map { |one| [Date.iso8601(row[:wall][0, 10]), one["id"]] } }
          (marked + standing).to_set
        end

        def keep(fresh, year)
          by = { workspace_id: member.workspace_id, made_by: member.person_id, made_at: now }
          scope.db[:pencil_marks].insert_conflict.multi_insert(fresh.map { |mark| by.merge(mark) })
          record("carried_over", facts: { year: year, put: fresh.size })
          announce("plan", ids: [])
        end

        def json(mark) = mark.slice(:channel_id, :word).merge(day: mark[:day].iso8601)

        def bad_how
          Core::Invalid.new("bad_how", "It keeps the weekday or the date.", field: "how", way_on: "Choose one.")
        end
      end
    end
  end
end
