# frozen_string_literal: true

module AskFirst
  module App
    module Traffic
      # Marks a task as done. Its person may, and whoever may assign.
      class FinishTask < Act
        opens :task, "finish_task"

        def call(task_id:)
          done = rows(:tasks).where(id: task_id, done_at: nil).update(done_at: now, done_by: member.person_id)
          if done.zero?
            raise Core::Conflict.new("done_already", "This task is done already.", way_on: "Nothing more is needed.")
          end

          record("task_done", post_id: row[:post_id], facts: { title: row[:title] })
          announce("tasks", ids: [row[:post_id]])
        end
      end
    end
  end
end
