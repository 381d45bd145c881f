# frozen_string_literal: true

module AskFirst
  module App
    module Media
      # Where a member's files come in, through the door.
      class UploadState < Act
        reads :client, "add_media"

        # @return [Edge::Files::Uploads]
        def call = environment.files.uploads(member.workspace_id, member.person_id)
      end
    end
  end
end
