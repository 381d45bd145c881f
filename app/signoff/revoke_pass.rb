# frozen_string_literal: true

module AskFirst
  module App
    module Signoff
      # Stops a guest pass and every device that opened it.
      class RevokePass < Act
        def call(pass_id:)
          require_ability!("withdraw")
          write do
            pass = fetch(:guest_passes, pass_id, "This pass")
            rows(:guest_passes).where(id: pass_id, revoked_at: nil).update(revoked_at: now)
            posts = rows(:ask_lines).where(ask_id: pass[:ask_id]).select_map(:post_id)
            posts.each { |post_id| record("pass_revoked", post_id: post_id, facts: { person: names[pass[:person_id]] }) }
            announce("posts", ids: posts)
          end
        end
      end
    end
  end
end
