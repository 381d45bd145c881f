# frozen_string_literal: true

module AskFirst
  module Store
    module Channels
      # A channel with the token of the connection that it is reached through.
      module Reached
        module_function

        # @return [Hash, nil] the channel's row with :token (encrypted; nil where there is no connection) and its card
        def find(scope, channel_id)
          several(scope, [channel_id])[channel_id]
        end

        # Connected channels on which something is planned until then, whose card was not read lately. Over all clients.
        # @param age [Numeric] seconds
        # @return [Array<Hash>] :workspace_id and :id
        def with_old_cards(db, now, till, age)
          soon =
            db[:showings]
              .where(state: "planned")
              .where { (due_at > now - 3_600) & (due_at <= till) }
              .select(:workspace_id, :channel_id)
          db[:channels]
            .where(state: "connected")
            .exclude(micropub: nil)
            .where { (card_at =~ nil) | (card_at < now - age) }
            .where(%i[workspace_id id] => soon)
            .select_map(%i[workspace_id id])
            .map { |workspace_id, id| { workspace_id: workspace_id, id: id } }
        end

        # @return [Hash{String=>Hash}] the same for many, by id
        def several(scope, channel_ids)
          found =
            scope
              .rows(:channels)
              .where(Sequel[:channels][:id] => channel_ids)
              .left_join(
                :connections,
                workspace_id: Sequel[:channels][:workspace_id],
                id: Sequel[:channels][:connection_id]
              )
              .select_all(:channels)
              .select_append(:token, :expires_at)
          found.to_h { |row| [row[:id], row.merge(card: Core::Channels::Card.read(row[:card]))] }
        end
      end
    end
  end
end
