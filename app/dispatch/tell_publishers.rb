# frozen_string_literal: true

module AskFirst
  module App
    module Dispatch
      # Tells whoever has taken something up to publish it by hand, at once: nobody can stop their hand but they.
      class TellPublishers < Act
        inside

        # @param channel_id [String, nil] only there; nil for all
        # @param adaptation_ids [Array<String>, nil] only these
        # @param words [String]
        def call(words:, channel_id: nil, adaptation_ids: nil)
          claimed = rows(:showings).where(state: "by_hand").exclude(claimed_by: nil)
          claimed = claimed.where(channel_id: channel_id) if channel_id
          claimed = claimed.where(adaptation_id: adaptation_ids) if adaptation_ids
          claimed.each do |showing|
            People::Notify.call(
              environment,
              member,
              person_ids: [showing[:claimed_by]],
              kind: "trouble",
              post_id: showing[:post_id],
              words: words
            )
          end
        end
      end
    end
  end
end
