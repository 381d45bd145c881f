# frozen_string_literal: true

module AskFirst
  module App
    class Door
      # The client itself, and what hangs on it alone.
      module ToClients
        def client(_input)
          require!(@act)
          Opened.new
        end

        # The sign-off route. Whoever sets a client up may choose its first one.
        def route(_input)
          setting_up = environment.db[:workspaces].where(id: member.workspace_id).get(:setup_step)
          @act = setting_up ? "change_settings" : "change_route"
          require!(@act)
          Opened.new
        end

        def brand_file(input)
          require!(@act)
          row =
            find(:brand_files, input[:file_id], "This file") do |files|
              files.where(removed_at: nil, campaign_id: nil, post_id: nil, partner_id: nil)
            end
          Opened.new(row: row)
        end

        # A channel, by its id in the input; without one, the whole client.
        # @param whole [String] the act of the table that stands for the whole client
        def channel(input, lock: true, whole: nil)
          return whole_client(whole) if whole && input[:channel_id].nil?

          row = find(:channels, input[:channel_id], "This channel")
          raise Core::NotFound, "This channel" unless sees?([row[:id]])

          Store::Locks.for_channel(scope, row[:id]) if lock
          require!(@act, on: touching(channel_ids: [row[:id]]))
          Opened.new(row: row, channel_ids: [row[:id]])
        end

        # A channel set; without an id, those that shall be in it.
        def channel_set(input)
          return new_set(input) if input[:set_id].nil?

          row = find_with(:channel_set, input[:set_id], "This set")
          channel_ids = row[:channel_ids].to_a
          raise Core::NotFound, "This set" unless sees?(channel_ids)

          require!(@act, on: touching(channel_ids: channel_ids))
          Opened.new(row: row, channel_ids: channel_ids)
        end

        # Whoever gave a consent may always take it back.
        def connection(input)
          row = find_with(:connection, input[:connection_id], "This connection")
          own = row[:consent_by] == member.person_id && member.side == "agency"
          channel_ids = row[:channel_ids].to_a
          raise Core::NotFound, "This connection" unless own || sees?(channel_ids)

          require!(@act, on: touching(channel_ids: channel_ids)) unless own && !member.looking
          Opened.new(row: row, channel_ids: channel_ids)
        end

        # A page of a link, for whoever asked to have it read.
        def link_reading(input)
          agency_only!("This page")
          row = find(:link_readings, input[:reading_id], "This page") { |all| all.where(person_id: member.person_id) }
          require!(@act)
          Opened.new(row: row)
        end

        private

        def whole_client(act)
          require!(act)
          Opened.new(channel_ids: nil)
        end

        def new_set(input)
          require!(@act, on: touching(channel_ids: Array(input[:channel_ids])))
          Opened.new
        end
      end
    end
  end
end
