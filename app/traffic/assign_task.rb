# frozen_string_literal: true

module AskFirst
  module App
    module Traffic
      # Gives a piece of making to a person of the agency side, with a due time in the client's zone.
      class AssignTask < Act
        opens :post, "assign", whole: true

        KINDS = %w[copy picture video other].freeze

        # @param due [Hash] {"wall" =>, "zone" =>}
        # @return [String] the task's id
        def call(post_id:, kind:, title:, person_id:, due:, note: "")
          unless KINDS.include?(kind)
            raise Core::Invalid.new("bad_kind", "A task is copy, picture, video or other.", field: "kind")
          end

          name = Core::Posts::Text.line(title, field: "title", limit: Core::Lengths::TASK)
          raise Core::Invalid.new("words_needed", "A task needs a title.", field: "title") if name.empty?

          time = Core::Plan::WallTime.parse(due["wall"], due["zone"], field: "due")
          Core::Plan::Bounds.require!(time, now, field: "due")
          if time.at <= now
            raise Core::Invalid.new(
                    "due_past",
                    "The task cannot be due in the past.",
                    field: "due",
                    way_on: "Choose a later time."
                  )
          end

          id = new_id
          person = worker(person_id)
          scope.insert(
            :tasks,
            {
              id: id,
              post_id: post_id,
              kind: kind,
              title: name,
              note: Core::Posts::Text.clean(note, field: "note", limit: Core::Lengths::WORDS),
              person_id: person_id,
              due_wall: time.wall,
              due_zone: time.zone,
              due_at: time.at,
              assigned_by: member.person_id,
              assigned_at: now
            }
          )
          record("task_assigned", post_id: post_id, facts: { title: name, person: person.name, due: time.to_h })
          People::Notify.call(
            environment,
            member,
            person_ids: [person_id],
            kind: "task",
            post_id: post_id,
            words: "#{member.name} gives you “#{name}”."
          )
          announce("tasks", ids: [post_id])
          id
        end

        private

        def worker(person_id)
          person = colleagues.find { |one| one.person_id == person_id }
          return person if person && person.side == "agency" && person.abilities.include?("work")

          raise Core::Invalid.new(
                  "not_a_worker",
                  "This person does no tasks for this client.",
                  field: "person_id",
                  way_on: "Choose somebody of the agency side."
                )
        end
      end
    end
  end
end
