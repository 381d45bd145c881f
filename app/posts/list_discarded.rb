# frozen_string_literal: true

module AskFirst
  module App
    module Posts
      # A page of what was discarded, the latest first, over one or many clients: who did it, when, and whether the
      # reader may restore it.
      class ListDiscarded
        PAGE = 50
        CURSOR = /\A(\d{1,18})\.(#{Core::Uuid::FORMAT.source.delete_prefix('\A').delete_suffix('\z')})\z/

        class << self
          # @param reader [Reader]
          # @param workspace_id [String, nil] nil for all
          # @param words [String, nil] looked for in subject lines and copy
          # @param before [String, nil] what the page before named as the next
          # @return [Hash] JSON-ready: {posts:, next:}
          # @raise [Core::NotFound, Core::Invalid] bad_cursor
          def call(environment, reader, workspace_id = nil, words: nil, before: nil)
            scope = reader.scope(workspace_id)
            from = cursor(before)
            scope.transaction do
              found = Store::Posts::Discarded.page(scope, words: words.to_s.strip, before: from, limit: PAGE + 1)
              shown = found.first(PAGE)
              {
                posts: DiscardedPost.lines(environment, scope, reader.members(workspace_id), shown),
                next: found.size > PAGE ? mark(shown.last) : nil
              }
            end
          end

          private

          def mark(row) = "#{(row[:discarded_at].to_r * 1_000_000).to_i}.#{row[:id]}"

          def cursor(text)
            return if text.nil?

            found = CURSOR.match(text) or raise Paging.bad_cursor("before")
            [Time.at(Rational(found[1].to_i, 1_000_000)), found[2]]
          end
        end
      end
    end
  end
end
