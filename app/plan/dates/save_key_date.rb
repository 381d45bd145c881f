# frozen_string_literal: true

module AskFirst
  module App
    module Plan
      # Puts a key date, or other work, into a client's plan, or changes one that stands there.
      class SaveKeyDate < Act
        opens :key_date, "plan_dates"

        # @param date_id [String, nil] nil for a new one
        # @param version [Integer] that the writer saw
        # @return [String] its id
        # @raise [Core::Conflict] date_there, part_changed
        def call(kind:, name:, first:, last: nil, yearly: false, date_id: nil, version: 0)
          date = Core::Plan::KeyDate.read(kind: kind, name: name, first: first, last: last, yearly: yearly, now: now)
          raise Core::Plan::KeyDate.too_many if date_id.nil? && rows(:key_dates).count >= Core::Plan::KeyDate::MOST

          id = date_id || new_id
          scope.transaction(savepoint: true) { keep(id, date, version) }
          record("key_date_kept", facts: facts(date))
          announce("plan", ids: [])
          id
        rescue Store::Failures::Taken
          raise there(date)
        end

        private

        def keep(id, date, version)
          set = { kind: date.kind, name: date.name, first_day: date.days.first, last_day: date.days.last }
          set = set.merge(yearly: date.yearly, made_by: member.person_id, made_at: now)
          return change(id, set, version) if row

          scope.db[:key_dates].insert(workspace_id: member.workspace_id, id: id, **set)
        end

        def change(id, set, version)
          done = rows(:key_dates).where(id: id, version: version).update(**set, version: version + 1)
          raise changed if done.zero?
        end

        def changed
          Core::Changed.new(
            "part_changed",
            "this date",
            field: "name",
            way_on: "Look at theirs; what you typed is kept. Save again to write over it.",
            version: rows(:key_dates).where(id: row[:id]).get(:version)
          )
        end

        def facts(date)
          before = row && { name: row[:name], first: row[:first_day].iso8601, last: row[:last_day].iso8601 }
          { name: date.name, first: date.days.first.iso8601, last: date.days.last.iso8601, before: before }
        end

        def there(date)
          Core::Conflict.new(
            "date_there",
            "“#{date.name}” stands on this day already.",
            field: "name",
            way_on: "Change that one, or choose another name or day."
          )
        end
      end
    end
  end
end
