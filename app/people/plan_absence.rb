# frozen_string_literal: true

module AskFirst
  module App
    module People
      # Plans an absence, with somebody who stands in at each client: they are asked instead, and get the tasks shown.
      class PlanAbsence < AgencyAct
        LONGEST = 400 # days

        # @param from [String] first day, "2026-12-21"
        # @param until_date [String] last day
        # @param stand_ins [Array<Hash>] {"workspace_id" =>, "person_id" =>}
        # @return [String] the absence's id
        def call(from:, until_date:, stand_ins: [])
          first, last = dates(from, until_date)
          id = new_id
          db[:absences].insert(id: id, person_id: person.person_id, from_date: first, until_date: last)
          members = Store::People::Members.of_workspace(scope, now).group_by { |row| row[:workspace_id] }
          stand_ins.each { |one| stand_in(id, one, members.fetch(one["workspace_id"], [])) }
          id
        end

        private

        def dates(from, until_date)
          first = Core::Plan::Iso.day(from, now, field: "from")
          last = Core::Plan::Iso.day(until_date, now, field: "until")
          if last < first
            raise Core::Invalid.new(
                    "bad_dates",
                    "The last day is before the first.",
                    field: "until",
                    way_on: "Choose a later day."
                  )
          end
          if last - first > LONGEST
            raise Core::Invalid.new(
                    "bad_dates",
                    "An absence is at most #{LONGEST} days long.",
                    field: "until",
                    way_on: "Plan the rest later."
                  )
          end

          [first, last]
        end

        def stand_in(id, one, members)
          mine = members.find { |row| row[:person_id] == person.person_id }
          theirs = members.find { |row| row[:person_id] == one["person_id"] }
          if mine.nil? || theirs.nil? || theirs[:side] != mine[:side] || mine == theirs
            raise Core::Invalid.new(
                    "no_such_stand_in",
                    "Whoever stands in must be a colleague at that client.",
                    field: "stand_ins",
                    way_on: "Choose somebody else."
                  )
          end

          db[:stand_ins].insert(
            workspace_id: one["workspace_id"],
            absence_id: id,
            person_id: person.person_id,
            stand_in_id: one["person_id"]
          )
          Store::Record::Rows.add(
            one_scope(one["workspace_id"]),
            now: now,
            who: person.on_record.merge(pass_id: nil, process: nil),
            act: "stand_in_named",
            facts: {
              person: theirs[:name],
              absence: id
            }
          )
        end

        def one_scope(workspace_id)
          Store::Scope.new(db, workspace_ids: workspace_id, person_id: person.person_id, side: "agency")
        end
      end
    end
  end
end
