# frozen_string_literal: true

module AskFirst
  module Store
    module Channels
      # A channel with the token of the connection that it is reached through.
      module Reached
        module_function

        # @return [Hash, nil] the channel's row with :token (encrypted; nil where there is no connection) and its card
        def find(scope, channel_id)
          found = scope.rows(:channels).where(Sequel[:channels][:id] => channel_id)
               .left_join(:connections, workspace_id: Sequel[:channels][:workspace_id], id: Sequel[:channels][:connection_id])
               .select_all(:channels).select_append(:token, :expires_at).first
          found&.merge(card: Core::Channels::Card.read(found[:card]))
        end
      end
    end
  end
end
