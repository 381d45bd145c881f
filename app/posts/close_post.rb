# frozen_string_literal: true

module AskFirst
  module App
    module Posts
      # Closes what was opened. Put back as it was, with no verdict since, its yeses count again.
      class ClosePost < Act
        def call(post_id:, adaptation_ids:)
          write do
            post = locked([post_id]).fetch(post_id)
            require_ability!("open")
            adaptation_ids.each do |id|
              adaptation = post.adaptation(id) or raise Core::NotFound, "This channel of the post"
              next unless adaptation.facts.opened

              rows(:openings).where(adaptation_id: id, closed_at: nil).update(closed_at: now, closed_by: member.person_id)
              record("closed", post_id: post_id, adaptation_id: id, facts: { channel: adaptation.channel[:name] })
            end
            restage([post_id])
          end
        end
      end
    end
  end
end
