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
          found = there.order(Sequel.function(:lower, :name), :id).limit(MOST).all
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

        def posts
          @posts ||=
            rows(:partner_posts)
              .join(:posts, workspace_id: Sequel[:partner_posts][:workspace_id], id: :post_id)
              .where(discarded_at: nil)
              .group_and_count(:partner_id)
              .to_hash(:partner_id, :count)
        end
      end
    end
  end
end
