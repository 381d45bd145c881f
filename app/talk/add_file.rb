# frozen_string_literal: true

module AskFirst
  module App
    module Talk
      # Adds a file beside a post, in one of its two rooms. It is only ever handed out as a download.
      class AddFile < Clients::AddBrandFile
        opens :room, nil

        # @param room [String] house or client
        # @return [String] the file's id
        def call(post_id:, room:, **file)
          @place = { post_id: post_id, room: room }
          super(**file)
        end

        private

        attr_reader :place

        def told(file)
          record("file_added", post_id: @place[:post_id], facts: { room: @place[:room], **file })
        end
      end
    end
  end
end
