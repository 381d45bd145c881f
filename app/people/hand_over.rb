# frozen_string_literal: true

module AskFirst
  module App
    module People
      # Hands on what a member has in their hands: tasks, posts, places in open asks and in the route, and stand-ins.
      # Runs inside the transaction that changes or ends the membership.
      class HandOver < Act
        inside

        # @param from [String] person id
        # @param to [String] person id of a member of the same side
        # @param what [Array<String>] of tasks, posts, asks, steps
        def call(from:, to:, what: %w[tasks posts asks steps])
          heir = colleagues.find { |one| one.person_id == to }
          if heir.nil? || to == from
            raise Core::Invalid.new(
                    "no_such_heir",
                    "Whoever takes this over must be a member here.",
                    field: "to",
                    way_on: "Choose somebody else."
                  )
          end

          @heir = heir
          tasks(from, to) if what.include?("tasks")
          if what.include?("posts") && heir.side == "agency"
            rows(:posts).where(owner_id: from).exclude(stage: "out").update(owner_id: to)
          end
          steps(from, to) if what.include?("steps")
          asks(from, to) if what.include?("asks")
        end

        private

        def tasks(from, to)
          return unless @heir.abilities.include?("work")

          Holdings
            .tasks(scope.whole, from)
            .all
            .each do |task|
              rows(:tasks).where(id: task[:id]).update(person_id: to)
              record(
                "task_handed_over",
                post_id: task[:post_id],
                facts: {
                  title: task[:title],
                  from: names[from],
                  to: @heir.name
                }
              )
            end
        end

        def steps(from, to)
          named = rows(:route_step_people).where(person_id: from).select_map(:step_id)
          live = Store::Signoff::Routes.live(scope).select { |step| named.include?(step.id) && may_answer?(step.side) }
          live.each do |step|
            scope.db[:route_step_people].insert_conflict.insert(
              workspace_id: member.workspace_id,
              step_id: step.id,
              person_id: to
            )
            rows(:route_step_people).where(step_id: step.id, person_id: from).delete
          end
        end

        # Losing a person satisfies nothing: the heir is asked in their place, and answers for themselves.
        def asks(from, to)
          found = Holdings.open_asks(scope.whole, from).select { |ask| may_answer?(ask[:side]) }
          found
            .uniq { |ask| ask[:id] }
            .each do |ask|
              require_free_place!(ask, from, to)
              scope.db[:ask_people].insert_conflict.insert(
                workspace_id: member.workspace_id,
                ask_id: ask[:id],
                person_id: to
              )
              rows(:ask_places).where(ask_id: ask[:id], person_id: from).update(person_id: to)
              rows(:guest_passes).where(ask_id: ask[:id], person_id: from, revoked_at: nil).update(revoked_at: now)
              environment.queue.ask_mail(member.workspace_id, ask[:id], to, at: now) if @heir.side == "client"
            end
          found.each do |ask|
            record(
              "ask_handed_over",
              post_id: ask[:post_id],
              facts: {
                step: ask[:step],
                from: names[from],
                to: @heir.name
              }
            )
          end
        end

        # Two places need two people.
        def require_free_place!(ask, from, to)
          named = rows(:ask_places).where(ask_id: ask[:id]).select_map(:person_id)
          return unless named.include?(from) && named.include?(to)

          raise Core::Conflict.new(
                  "has_own_place",
                  "#{@heir.name} is asked at “#{ask[:step]}” already, and two yeses need two people.",
                  field: "to",
                  way_on: "Choose somebody else, or withdraw that ask first."
                )
        end

        def may_answer?(side)
          @heir.abilities.include?(side == "client" ? "answer_client" : "answer_internal")
        end
      end
    end
  end
end
