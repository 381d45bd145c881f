# frozen_string_literal: true

module AskFirst
  module App
    module Signoff
      # Sends somebody's link anew, by the mail of its ask; the older ones stop.
      class RenewPass < Act
        opens :pass, "ask", lock: false

        # @raise [Core::Conflict] ask_over
        def call(pass_id:)
          ask = rows(:asks).where(id: row[:ask_id]).first
          open = rows(:ask_lines).where(ask_id: row[:ask_id], ended_at: nil)
          raise over if ask[:withdrawn_at] || open.none?

          environment.queue.ask_mail(member.workspace_id, row[:ask_id], row[:person_id], at: now)
          record("pass_renewed", post_id: open.get(:post_id), facts: { person: names[row[:person_id]] })
        end

        private

        def over
          Core::Conflict.new(
            "ask_over",
            "Nothing is asked there any more.",
            way_on: "Ask again; that makes its own link."
          )
        end
      end
    end
  end
end
