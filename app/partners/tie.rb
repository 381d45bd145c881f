# frozen_string_literal: true

module AskFirst
  module App
    module Partners
      # Says which posts and ideas are made with a partner.
      class Tie < PartnerAct
        opens :partner, "keep_partner"

        MOST = 500

        # @param post_ids [Array<String>, nil] all of them; nil leaves them as they are
        # @param idea_ids [Array<String>, nil] the same
        # @raise [Core::NotFound] for one that is not there
        # @raise [Core::Invalid] too_many_ties
        def call(partner_id:, post_ids: nil, idea_ids: nil)
          put(:partner_posts, :post_id, seen_posts(post_ids), post_ids) if post_ids
          put(:partner_ideas, :idea_id, seen_ideas(idea_ids), idea_ids) if idea_ids
          record("partner_tied", facts: { name: row[:name], posts: post_ids&.size, ideas: idea_ids&.size }.compact)
          broadcast
        end

        private

        def known(ids) = ids.uniq.grep(Core::Uuid::FORMAT)

        def seen_posts(ids) = Store::Posts::Visible.of(scope, known(ids)).select_map(:id)

        def seen_ideas(ids)
          Store::Posts::Visible.ideas(scope, rows(:ideas).where(id: known(ids))).select_map(:id)
        end

        def put(table, column, seen, ids)
          raise too_many if ids.size > MOST
          raise Core::NotFound, "One of these" if seen.size < ids.uniq.size

          rows(table).where(partner_id: row[:id]).exclude(column => seen).delete
          scope.db[table].insert_conflict.multi_insert(
            seen.map { |id| { :workspace_id => member.workspace_id, :partner_id => row[:id], column => id } }
          )
        end

        def too_many
          Core::TooMany.new("#{MOST} at most.", of: "ties", field: "posts", way_on: "Leave some out.")
        end
      end
    end
  end
end
