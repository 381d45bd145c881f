# frozen_string_literal: true

module AskFirst
  module App
    module Dispatch
      # One showing with its attempts and what went out, for the side of the dispatch log.
      class ShowingStory < ShowingAct
        reads :showing, "see_post"

        def call(showing_id:)
          reading do
            enter
            story
          end
        end

        private

        def story
          found = row
          release = live_release(found)
          strip = rows(:posts).where(id: found[:post_id]).get(:strip)
          {
            id: found[:id],
            state: found[:state],
            unconfirmed: !found[:unconfirmed_at].nil?,
            trouble: found[:trouble],
            address: found[:address],
            seen_note: found[:seen_note],
            strip: strip,
            text: release && release[:request]["text"],
            pictures: release ? release[:request]["media"].size : 0,
            fingerprint: release && release[:fingerprint],
            revision: release && rows(:revisions).where(id: release[:revision_id]).get(:number),
            attempts: attempts(found),
            can:
              Permissions::Capabilities.of(member, others: colleagues, on: touching(channel_ids: [found[:channel_id]]))
          }
        end

        def attempts(showing)
          rows(:attempts)
            .where(showing_id: showing[:id])
            .order(:order_no)
            .map { |row| { event: row[:event], note: row[:note], at: row[:at].iso8601(3) } }
        end
      end
    end
  end
end
