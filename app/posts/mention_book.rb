# frozen_string_literal: true

module AskFirst
  module App
    module Posts
      # The client's book of people and things that posts name, each with its spelling at each network.
      class MentionBook < Act
        reads :client, "see_brand"

        # @return [Hash] JSON-ready
        def call
          spellings = rows(:mention_spellings).select_hash_groups(:mention_id, %i[network spelling])
          networks =
            rows(:channels).where(archived_at: nil).exclude(state: "offline").order(:position).select_map(:network).uniq
          {
            mentions:
              Store::Named
                .in_order(rows(:mentions))
                .map { |row| { id: row[:id], name: row[:name], spellings: spellings.fetch(row[:id], []).to_h } },
            networks: networks
          }
        end
      end
    end
  end
end
