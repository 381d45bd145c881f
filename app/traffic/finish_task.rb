# frozen_string_literal: true

module AskFirst
  module App
    module Traffic
      # Marks a task as done. Its person may, and whoever may assign.
      class FinishTask < Act
        def call(task_id:)
          write do
            task = fetch(:tasks, task_id, "This task")
            require_ability!("finish_task", on: touching(owners: [task[:person_id]]))
            done = rows(:tasks).where(id: task_id, done_at: nil).update(done_at: now, done_by: member.person_id)
            raise Core::Conflict.new("done_already", "This task is done already.") if done.zero?

            record("task_done", post_id: task[:post_id], facts: { title: task[:title] })
            announce("tasks", ids: [task[:post_id]])
          end
        end
      end
    end
  end
end
