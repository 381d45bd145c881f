# frozen_string_literal: true

module AskFirst
  module App
    module Channels
      # Switches a channel off or on in one's own views. Nobody else sees a difference.
      class SwitchChannel < Act
        opens :channel, "see_post", lock: false

        def call(channel_id:, off:)
          if off
            environment.db[:channels_off].insert_conflict.insert(
              workspace_id: member.workspace_id,
              person_id: member.person_id,
              channel_id: channel_id
            )
          else
            rows(:channels_off).where(person_id: member.person_id, channel_id: channel_id).delete
          end
        end
      end
    end
  end
end
