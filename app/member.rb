# frozen_string_literal: true

module AskFirst
  module App
    # Whoever acts, in one workspace: a signed-in member, a guest with a pass for one ask, or one of our own processes.
    # limited_to: channel ids, nil for all · archived: the client is · looking: somebody only looks as this member ·
    # by_receipt: whoever holds the receipt of a yes, also after they have left
    Member =
      Struct.new(
        :workspace_id,
        :person_id,
        :membership_id,
        :name,
        :side,
        :abilities,
        :role,
        :zone,
        :workspace_name,
        :pass_id,
        :ask_id,
        :from,
        :process,
        :limited_to,
        :archived,
        :looking,
        :by_receipt,
        keyword_init: true
      ) do
        # @param row [Hash] from Store::People::Members
        # @param looking [Boolean] whether it is somebody else who only looks
        def self.from_row(row, from: nil, pass: nil, looking: false)
          policy = row.fetch(:leads_change_route, true)
          abilities =
            Core::Permissions::Abilities.held(
              row[:abilities].to_a,
              side: row[:side],
              owner: row[:is_owner],
              leads_change_route: policy
            )
          new(
            workspace_id: row[:workspace_id],
            person_id: row[:person_id],
            membership_id: row[:membership_id],
            name: row[:name],
            side: row[:side],
            abilities: abilities,
            role: row[:role],
            zone: row[:workspace_zone],
            workspace_name: row[:workspace_name],
            from: from,
            pass_id: pass && pass[:id],
            ask_id: pass && pass[:ask_id],
            limited_to: row[:limited] ? row[:channel_ids].to_a : nil,
            archived: !row[:archived_at].nil?,
            looking: looking
          ).freeze
        end

        # Who a receipt was mailed to. It lets them do one thing, and hangs on no membership.
        # @param receipt [Hash] row
        def self.of_receipt(receipt, name:, from: nil)
          who = receipt.slice(:workspace_id, :person_id)
          new(**who, name: name, side: "client", abilities: [], from: from, by_receipt: true).freeze
        end

        def self.process(workspace_id, name)
          new(workspace_id: workspace_id, name: name, side: "agency", abilities: [], process: name).freeze
        end

        def scope(db)
          Store::Scope.new(
            db,
            workspace_ids: workspace_id,
            person_id: person_id,
            side: side,
            limits: limited_to && { workspace_id => limited_to }
          )
        end

        # What the record keeps of who it was.
        def on_record
          { person_id: person_id, pass_id: pass_id, process: process, from_address: from }
        end
      end
  end
end
