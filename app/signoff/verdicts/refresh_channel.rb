# frozen_string_literal: true

module AskFirst
  module App
    module Signoff
      # After a network's card was changed: what is planned for a channel may be another request by now, and its yeses
      # may not count for that. In parts, so that nobody waits long for the locks of many posts.
      class RefreshChannel < Act
        stepwise
        of_process

        PART = 50 # posts

        def call(channel_id:)
          here = rows(:adaptations).where(channel_id: channel_id, removed_at: nil).exclude(stage: "out")
          ids = reading { here.distinct.order(:post_id).select_map(:post_id) }
          ids.each_slice(PART) { |some| write { refresh_stage(some) } }
        end
      end
    end
  end
end
