# frozen_string_literal: true

module AskFirst
  module App
    module Plan
      # Puts a key date, or other work, into a client's plan, or changes one that stands there.
      class SaveKeyDate < Act
        opens :key_date, "plan_dates"

        # @param date_id [String, nil] nil for a new one
        # @return [String] its id
        # @raise [Core::Conflict] date_there
        def call(kind:, name:, first:, last: nil, yearly: false, date_id: nil)
          date = Core::Plan::KeyDate.read(kind: kind, name: name, first: first, last: last, yearly: yearly, now: now)
          raise Core::Plan::KeyDate.too_many if date_id.nil? && rows(:key_dates).count >= Core::Plan::KeyDate::MOST

          id = date_id || new_id
          scope.transaction(savepoint: true) { keep(id, date) }
          record("key_date_kept", facts: facts(date))
          announce("plan", ids: [])
          id
        rescue Sequel::UniqueConstraintViolation
          raise there(date)
        end

        private

        def keep(id, date)
          set = { kind: date.kind, name: date.name, first_day: date.days.first, last_day: date.days.last }
          set = set.merge(yearly: date.yearly, made_by: member.person_id, made_at: now)
          return rows(:key_dates).where(id: id).update(set) if row

          scope.db[:key_dates].insert(workspace_id: member.workspace_id, id: id, **set)
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
