# frozen_string_literal: true

module AskFirst
  module App
    module People
      # Ends a membership at once. What the member had in hand goes to somebody else; their name stays in the record
      # for ever.
      class EndMember < MembershipChange
        opens :membership, "change_member", locks: :client, within: true

        # @param to [String, nil] person id who takes over; needed when something would be left lying
        def call(membership_id:, to: nil)
          keep_a_lead!(row, nil, "Ending this membership")
          holds = Holdings.of(scope.whole, row, now)
          require_heir!(row, holds, to)
          asked = asked_of(row[:person_id])
          HandOver.call(environment, member, from: row[:person_id], to: to) if to
          finish(row)
          Clients::Publisher.keep_fitting(environment, scope)
          record("member_ended", facts: { person: row[:name], role: row[:role], to: to && names[to] })
          refresh_stage(asked) if asked.any?
          announce("people", ids: [])
        end

        private

        # What would wait for nobody is handed over, not dropped.
        def require_heir!(row, holds, to)
          return if to

          left = []
          left << "#{holds[:tasks].size} open #{holds[:tasks].size == 1 ? "task" : "tasks"}" if holds[:tasks].any?
          if holds[:asks].any? { |ask| ask[:last] }
            left << "#{holds[:asks].count { |ask| ask[:last] }} asks that nobody else can answer"
          end
          if holds[:steps].any? { |step| step[:only] }
            left << "the step “#{holds[:steps].find { |step| step[:only] }[:name]}”, which names nobody else"
          end
          return if left.empty?

          raise Core::Conflict.new(
                  "needs_heir",
                  "#{row[:name]} has #{left.join(", ")}.",
                  field: "to",
                  way_on: "Choose who takes this over."
                )
        end

        def finish(row)
          rows(:memberships).where(id: row[:membership_id]).update(
            ended_at: now,
            ended_by: member.person_id,
            version: row[:version] + 1
          )
          rows(:guest_passes).where(person_id: row[:person_id], revoked_at: nil).update(revoked_at: now)
          %i[person_id stand_in_id].each { |side| rows(:stand_ins).where(side => row[:person_id]).delete }
          rows(:channels_off).where(person_id: row[:person_id]).delete
        end
      end
    end
  end
end
