# frozen_string_literal: true

module AskFirst
  module App
    module Clients
      # A client's mark as a picture, instead of initials.
      class MarkPicture < Act
        stepwise
        opens :client, "change_settings"

        MOST_BYTES = 20 * 1024 * 1024

        # @param io [IO, nil] nil goes back to the initials
        def call(io:)
          reading { enter }
          if io && io.size > MOST_BYTES
            raise Core::Invalid.new(
                    "picture_too_large",
                    "The file is larger than 20 MB.",
                    field: "file",
                    way_on: "Export it smaller."
                  )
          end

          key = nil
          if io
            key = "#{member.workspace_id}/mark-#{new_id}"
            kit.files.put(key, kit.media.square(io, 256))
          end
          write do
            kit.db[:workspaces].where(id: member.workspace_id).update(mark_picture: key)
            record("mark_changed", facts: { picture: !key.nil? })
            announce("settings", ids: [])
          end
        end
      end
    end
  end
end
