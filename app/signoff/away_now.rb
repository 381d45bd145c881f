# frozen_string_literal: true

module AskFirst
  module App
    module Signoff
      # Who is asked while somebody is away: whoever stands in for them here. Somebody who is away without a stand-in is left
      # out where enough others can answer, and asked all the same where not.
      module AwayNow
        module_function

        # @param step [Core::Signoff::Step]
        # @param people [Array<String>] person ids named for the step
        # @return [Array<String>]
        def replace(scope, step, people, now, zone)
          away = Store::People::Absences.today(scope, people, now, zone)
          return people if away.empty?

          here = scope.transaction { scope.rows(:memberships).where(ended_at: nil, person_id: away.values.filter_map { |row| row[:stand_in_id] }).select_map(:person_id) }
          put = people.map { |id| away[id] && here.include?(away[id][:stand_in_id]) ? away[id][:stand_in_id] : id }.uniq
          left = put.reject { |id| away.key?(id) }
          step.quorum != "all" && left.size >= (step.n || 1) ? left : put
        end
      end
    end
  end
end
