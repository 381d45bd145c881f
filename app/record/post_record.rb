# frozen_string_literal: true

module AskFirst
  module App
    module Record
      # The record of one post, oldest first: who did what, when, on which revision.
      class PostRecord < Act
        reads :post, "see_post", lock: false

        PAGE = 200

        def call(post_id:, after: nil)
          found = Store::Posts::Visible.record(scope, rows(:record)).where(post_id: post_id)
          last = Paging.number(after, field: "after")
          found = found.where { order_no > last } if last
          page = found.order(:order_no).limit(PAGE + 1).all
          revisions = rows(:revisions).where(post_id: post_id).select_hash(:id, :number)
          {
            rows: page.first(PAGE).map { |row| json(row, revisions) },
            next: page.size > PAGE ? page[PAGE - 1][:order_no].to_s : nil
          }
        end

        private

        def channels
          @channels ||= Facts.names(scope)
        end

        def json(row, revisions)
          {
            id: row[:id],
            at: row[:at].iso8601(3),
            who: row[:person_id] ? names[row[:person_id]] : row[:process],
            by_pass: !row[:pass_id].nil?,
            from: row[:from_address],
            act: row[:act],
            revision: revisions[row[:revision_id]],
            facts: Facts.of(row, channels)
          }
        end
      end
    end
  end
end
