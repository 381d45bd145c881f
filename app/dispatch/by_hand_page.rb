# frozen_string_literal: true

module AskFirst
  module App
    module Dispatch
      # Everything ready to copy, save and post, out of the revision that was released.
      class ByHandPage < ShowingAct
        # @return [Hash] JSON-ready
        def call(showing_id:)
          reading do
            require_ability!("see_post")
            found = fetch(:showings, showing_id, "This showing")
            release = live_release(found) or raise Core::Conflict.new("not_released", "Its release has ended.", way_on: "Look at the post.")
            request = release[:request]
            { id: found[:id], post_id: found[:post_id], subject: rows(:posts).where(id: found[:post_id]).get(:subject), channel: channel(found)[:name], state: found[:state],
              claimed_by: names[found[:claimed_by]], mine: found[:claimed_by] == member.person_id, at: release[:at].iso8601, zone: release[:zone],
              text: request["text"], link: request["link"], beside: Posts::Beside.of(request, release[:rendition_ids].to_a),
              pictures: request["media"].zip(release[:rendition_ids].to_a).map { |file, id| { id: id, kind: file.fetch("kind", "picture"), description: file["description"] } } }
          end
        end
      end
    end
  end
end
