# frozen_string_literal: true

module AskFirst
  module App
    module Dispatch
      # Everything ready to copy, save and post, out of the revision that was released.
      class ByHandPage < ShowingAct
        reads :showing, "see_post"

        # @return [Hash] JSON-ready
        def call(showing_id:)
          reading do
            enter
            release = live_release(row) or
              raise Core::Conflict.new("not_released", "Its release has ended.", way_on: "Look at the post.")
            request = release[:request]
            {
              id: row[:id],
              post_id: row[:post_id],
              subject: rows(:posts).where(id: row[:post_id]).get(:subject),
              channel: channel(row)[:name],
              state: row[:state],
              claimed_by: names[row[:claimed_by]],
              mine: row[:claimed_by] == member.person_id,
              stop: stop,
              at: release[:at].iso8601,
              zone: release[:zone],
              text: request["text"],
              link: request["link"],
              beside: Posts::Beside.of(request, release[:rendition_ids].to_a),
              pictures: files(request, release)
            }
          end
        end

        private

        # Why it is not to be published now, though it was taken up.
        def stop
          adaptation = post_states([row[:post_id]]).fetch(row[:post_id]).adaptation(row[:adaptation_id]) or return
          block = adaptation.verdict.blocks.first
          return "#{names[block.person_id]} wants a change: #{block.words}" if block
          return held if adaptation.verdict.held?

          adaptation.unusable
        end

        def held
          hold = Store::Signoff::Holds.on(scope, row[:channel_id])
          hold ? "#{names[hold[:put_by]]} has put it on hold: #{hold[:reason]}" : "It is on hold."
        end

        def files(request, release)
          request["media"]
            .zip(release[:rendition_ids].to_a)
            .map { |file, id| { id: id, kind: file.fetch("kind", "picture"), description: file["description"] } }
        end
      end
    end
  end
end
