# frozen_string_literal: true

module AskFirst
  module App
    module Partners
      # A client's partners by name, each with how many posts were made with it, and which may be the same.
      class PartnerList < PartnerAct
        reads :client, "see_partners"

        MOST = 1_000

        # @return [Hash] JSON-ready
        def call
          found = Store::Named.in_order(there).order_append(:id).limit(MOST).all
          alike = Core::Partners::Duplicates.of(found)
          {
            partners: found.map { |row| { **card(row, posts), alike: alike.fetch(row[:id], []) } },
            currency: workspace[:currency],
            can: {
              keep_partner: Permissions::Capabilities.one(member, "keep_partner", colleagues, touching)
            }
          }
        end

        private

        def posts = @posts ||= Store::Partners::MadeWith.counts(scope)
      end
    end
  end
end
