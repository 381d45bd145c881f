# frozen_string_literal: true

module AskFirst
  module App
    module Channels
      # Adds a channel before it is connected: it can be written for and approved. The account's public address is
      # given now, since a yes is a yes to where it goes; only that account can be connected to it later.
      class PlanChannel < Act
        stepwise
        opens :client, "add_channel"

        # @param account [String] where people see the account, such as https://…/@name
        # @return [String] the channel's id
        def call(network_address:, account:, name:)
          reading { enter }
          network = environment.catalogue.find(network_address) or
            raise Core::Channels::SaidNo.new("This network is not known here, or does not answer.", final: false)
          address = address(account)
          label = Core::Posts::Text.line(name.to_s, field: "name", limit: Core::Lengths::NAME)
          if label.empty?
            raise Core::Invalid.new(
                    "name_missing",
                    "The channel needs a name.",
                    field: "name",
                    way_on: "Such as the account's name."
                  )
          end

          write { add(network, address, label) }
        end

        private

        def address(account)
          link = Core::Posts::WebAddress.clean(account.to_s)
          return link if link

          raise Core::Invalid.new(
                  "bad_account",
                  "The account's public address is missing.",
                  field: "account",
                  way_on: "Copy it from the page where people see the account."
                )
        rescue Core::Invalid => e
          raise Core::Invalid.new(
                  "bad_account",
                  e.message,
                  field: "account",
                  way_on: "Copy it from the page where people see the account."
                )
        end

        def add(network, address, label)
          if rows(:channels).where(account: address).any?
            raise Core::Conflict.new(
                    "channel_there",
                    "This account is a channel here already.",
                    field: "account",
                    way_on: "Look at the list, or at the archived ones."
                  )
          end

          id = new_id
          scope.insert(
            :channels,
            {
              id: id,
              network: network.name,
              name: label,
              initials: network.initials,
              account: address,
              state: "planned",
              card: Store::Database.jsonb(network.card.to_json_hash),
              network_address: network.address,
              position: (rows(:channels).max(:position) || -1) + 1,
              created_at: now
            }
          )
          record("channel_planned", facts: { name: label, account: address })
          announce("channels", ids: [])
          id
        end
      end
    end
  end
end
