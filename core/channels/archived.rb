# frozen_string_literal: true

module AskFirst
  module Core
    module Channels
      # A channel that was put into the archive: what it held stays to be read, and nothing is asked for it, released or
      # sent there.
      module Archived
        module_function

        # @param channel [Hash] :archived_at
        def it?(channel) = !channel[:archived_at].nil?

        # @return [String] why nothing more happens there
        def sentence(channel) = "#{channel[:name]} is archived, and nothing goes out there any more."

        # @return [Conflict]
        def error(channel)
          Conflict.new(
            "channel_archived",
            sentence(channel),
            way_on: "Take it out of the archive, on the client's channels page, or take the post off it."
          )
        end
      end
    end
  end
end
