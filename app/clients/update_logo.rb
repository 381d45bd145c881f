# frozen_string_literal: true

module AskFirst
  module App
    module Clients
      # Gives a client a logo, or takes it away; without one its initials stand.
      class UpdateLogo < Act
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
            key = "#{member.workspace_id}/logo-#{new_id}"
            environment.files.put(key, environment.media.square(io, 256))
          end
          write do
            environment.db[:workspaces].where(id: member.workspace_id).update(logo: key)
            record("mark_changed", facts: { picture: !key.nil? })
            announce("settings", ids: [])
          end
        end
      end
    end
  end
end
