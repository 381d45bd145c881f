# frozen_string_literal: true

module AskFirst
  module App
    module Signoff
      # Writes down what was decided beside the answers, for each adaptation as it stands.
      class CreateRulings < Act
        inside

        # @param kind [String] skip, drop, strike or fill
        # @param step [Core::Signoff::Step]
        # @param post [Store::Posts::PostState::Post]
        # @param adaptations [Array<Store::Posts::PostState::Adaptation>]
        # @param place [String, nil] person id of the place; nil for an open one, or where it is no place
        def call(kind:, step:, post:, adaptations:, reason:, place: nil)
          scope.insert(
            :rulings,
            *adaptations.map do |adaptation|
              {
                id: new_id,
                kind: kind,
                step_id: step.id,
                post_id: post.id,
                adaptation_id: adaptation.id,
                place_person_id: place,
                fingerprint: adaptation.fingerprint || "", # a picture that is not cut yet
                reason: reason,
                room: "house",
                ruled_by: member.person_id,
                ruled_at: now
              }
            end
          )
        end
      end
    end
  end
end
