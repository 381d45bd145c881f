# frozen_string_literal: true

module AskFirst
  module App
    module Partners
      # One partner with what was made with it, and its files.
      class PartnerDetail < PartnerAct
        reads :partner_read, "see_partners"

        # @return [Hash] JSON-ready
        def call(partner_id:)
          {
            **card(row, row[:id] => post_ids.size),
            made: Posts::ListPosts.lines(scope, Store::Posts::Listed.lines(seen_posts).all),
            ideas: ideas,
            files: files,
            can: {
              keep_partner: Permissions::Capabilities.one(member, "keep_partner", colleagues, touching)
            }
          }
        end

        private

        def post_ids = @post_ids ||= rows(:partner_posts).where(partner_id: row[:id]).select_map(:post_id)

        def seen_posts = Store::Partners::MadeWith.posts(scope, post_ids)

        def ideas
          ids = rows(:partner_ideas).where(partner_id: row[:id]).select(:idea_id)
          rows(:ideas).where(id: ids, dropped_at: nil).reverse(:id).select(:id, :title).all
        end

        def files
          rows(:brand_files)
            .where(partner_id: row[:id], removed_at: nil)
            .reverse(:added_at)
            .select(:id, :name, :bytes, :added_by)
            .map { |file| file.slice(:id, :name, :bytes).merge(by: names[file[:added_by]]) }
        end
      end
    end
  end
end
