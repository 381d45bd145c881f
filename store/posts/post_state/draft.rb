# frozen_string_literal: true

module AskFirst
  module Store
    module Posts
      class PostState
        # A part as it is being written and not saved yet. channel_id: nil for the master · authors: nil leaves them
        # as they are
        Draft =
          Struct.new(:channel_id, :part, :value, :authors, keyword_init: true) do
            # @param rows [Array<Hash>] of parts
            # @return [Array<Hash>] with this one in its place
            def lay_over(rows, post_id)
              same =
                rows.find { |row| row[:post_id] == post_id && row[:channel_id] == channel_id && row[:part] == part }
              written =
                (same || { post_id: post_id, channel_id: channel_id, part: part, authors: [] }).merge(value: value)
              written[:authors] = authors if authors
              rows - [same] + [written]
            end
          end
      end
    end
  end
end
