# frozen_string_literal: true

module AskFirst
  module App
    module Dispatch
      # Takes a release back, as easily as it was given. Its yeses stay.
      class TakeBack < Act
        def call(post_id:, adaptation_ids: nil)
          require_ability!("take_back")
          write do
            post = locked([post_id]).fetch(post_id)
            chosen = post.adaptations.select { |adaptation| adaptation.release && (adaptation_ids.nil? || adaptation_ids.include?(adaptation.id)) }
            raise Core::Conflict.new("not_released", "Nothing of this post is released.") if chosen.empty?

            require_ability!("take_back", on: touching(channel_ids: chosen.map { |adaptation| adaptation.row[:channel_id] }))
            chosen.reject!(&:sent?)
            raise Core::Over.new("too_late", "Too late: it is being sent or is out.", way_on: "Look at it in Dispatch.") if chosen.empty?

            chosen.each do |adaptation|
              rows(:releases).where(id: adaptation.release[:id]).update(ended_at: now, ended_why: "taken back by #{member.name}")
              record("taken_back", post_id: post_id, adaptation_id: adaptation.id, facts: { channel: adaptation.channel[:name] })
            end
            restage([post_id])
          end
        end
      end
    end
  end
end
