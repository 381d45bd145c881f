# frozen_string_literal: true

module AskFirst
  module App
    module Dispatch
      # One showing with its attempts and what went out, for the side of the dispatch log.
      class ShowingStory < ShowingAct
        def call(showing_id:)
          reading { story(showing_id) }
        end

        private

        def story(showing_id)
          require_ability!("see_post")
          found = fetch(:showings, showing_id, "This showing")
          release = live_release(found)
          strip = rows(:posts).where(id: found[:post_id]).get(:strip)
          {
            id: found[:id], state: found[:state], trouble: found[:trouble], address: found[:address], seen_note: found[:seen_note], strip: strip,
            text: release && release[:request]["text"], pictures: release ? release[:request]["media"].size : 0, fingerprint: release && release[:fingerprint],
            revision: release && rows(:revisions).where(id: release[:revision_id]).get(:number),
            attempts: attempts(found),
            can: Permissions::Capabilities.of(member, others: colleagues)
          }
        end

        def attempts(showing)
          rows(:attempts).where(showing_id: showing[:id]).order(:order_no).map do |row|
            { event: row[:event], note: row[:note], at: row[:at].iso8601(3) }
          end
        end
      end
    end
  end
end
