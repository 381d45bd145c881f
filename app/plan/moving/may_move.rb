# frozen_string_literal: true

module AskFirst
  module App
    module Plan
      # Whether somebody may move what they hold, for acts that only look.
      module MayMove
        private

        # @param post [Store::Posts::PostState::Post]
        # @param moving [Moving]
        # @raise [Core::Refused, Core::Conflict, Core::Over]
        def require_movable!(post, moving)
          moving.require_unsent!
          moving.targets.each do |channel_id|
            require_ability!("write:time", on: Posts::Touching.part(post, channel_id, "time"))
          end
        end
      end
    end
  end
end
