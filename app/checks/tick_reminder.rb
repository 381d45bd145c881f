# frozen_string_literal: true

module AskFirst
  module App
    module Checks
      # Somebody looked, or looked again and it was not so.
      class TickReminder < Act
        opens :post, "house_talk"

        def call(post_id:, reminder_id:, ticked:)
          reminder = fetch(:reminders, reminder_id, "This reminder")
          ticks = rows(:reminder_ticks).where(post_id: post_id, reminder_id: reminder_id)
          return if ticks.empty? == !ticked

          if ticked
            scope.insert(
              :reminder_ticks,
              { post_id: post_id, reminder_id: reminder_id, ticked_by: member.person_id, ticked_at: now }
            )
          else
            ticks.delete
          end
          record(ticked ? "reminder_ticked" : "reminder_unticked", post_id: post_id, facts: { words: reminder[:words] })
          announce("posts", ids: [post_id])
        end
      end
    end
  end
end
