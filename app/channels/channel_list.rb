# frozen_string_literal: true

module AskFirst
  module App
    module Channels
      # A client's channels with how their connections are, what is planned there, the sets, and the networks to
      # connect to.
      class ChannelList < Act
        stepwise
        reads :client, "see_people"

        # @return [Hash] JSON-ready
        def call
          networks = reading { enter } && environment.catalogue.all
          reading { page(networks) }
        end

        private

        def page(networks)
          {
            channels: rows_here.map { |row| channel(row) },
            archived: archived,
            sets: sets,
            networks: networks.map { |one| network(one) },
            can: Permissions::Capabilities.of(member, others: colleagues)
          }
        end

        def rows_here
          @rows_here ||= Store::Channels::Conditions.of(scope, now).select { |row| mine?(row) }
        end

        def channel(row)
          {
            id: row[:id],
            name: row[:name],
            network: row[:network],
            initials: row[:initials],
            account: row[:account],
            state: row[:state],
            version: row[:version],
            level: row[:condition].level,
            sentence: row[:condition].sentence,
            consent_by: row[:consent_name],
            connection_id: row[:connection_id],
            network_address: row[:network_address],
            planned: planned.fetch(row[:id], 0),
            waiting: waiting.fetch(row[:id], 0),
            off: off.include?(row[:id]),
            limits: limits(Core::Channels::Card.read(row[:card]))
          }
        end

        def limits(card)
          {
            rule: card.text.rule,
            text: card.text.limit,
            pictures: card.media.most,
            needed: card.media.needed,
            kinds: card.media.kinds,
            shapes: card.media.ratio
          }
        end

        # Posts on the channel that are not out yet.
        def planned
          @planned ||= Store::Counts.by(rows(:adaptations).where(removed_at: nil).exclude(stage: "out"), :channel_id)
        end

        # Cleared, and only not released.
        def waiting
          @waiting ||= Store::Counts.by(rows(:adaptations).where(removed_at: nil, stage: "cleared"), :channel_id)
        end

        def off
          @off ||= rows(:channels_off).where(person_id: member.person_id).select_map(:channel_id)
        end

        def archived
          rows(:channels)
            .exclude(archived_at: nil)
            .order(:position)
            .all
            .select { |row| mine?(row) }
            .map { |row| row.slice(:id, :name, :network, :initials).merge(at: row[:archived_at].iso8601) }
        end

        def sets
          Store::Channels::Sets.of(scope).map { |row| row.slice(:id, :name, :version, :channel_ids) }
        end

        # A member whose part is limited to channels finds these.
        def mine?(channel)
          member.limited_to.nil? || member.limited_to.include?(channel[:id])
        end

        def network(one)
          found = one[:network]
          {
            address: one[:address],
            name: found&.name,
            initials: found&.initials,
            kind: found&.kind,
            answers: !found.nil?
          }
        end
      end
    end
  end
end
