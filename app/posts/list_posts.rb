# frozen_string_literal: true

module AskFirst
  module App
    module Posts
      # A page of posts, newest first, over one or many workspaces.
      class ListPosts
        PAGE = 50
        CHANNEL = %w[network initials name stage connection].freeze # of what is kept, what a line tells

        class << self
          # @param scope [Store::Scope]
          # @param before [String, nil] keyset cursor: the last id of the page before
          # @param words [String, nil] looked for in subject lines, inner names and copy
          # @param channels [Array<String>, nil] only posts on one of these channels
          # @param all [Boolean] also posts that are only on channels which the reader has switched off
          # @return [Hash] JSON-ready
          def call(scope, stage: nil, before: nil, words: nil, channels: nil, all: true, limit: PAGE)
            scope.transaction do
              listed =
                Store::Posts::Listed.new(
                  scope,
                  stage: stage,
                  words: words.to_s.strip,
                  channels: channels&.grep(Core::Uuid::FORMAT),
                  all: all
                )
              found = listed.page(Paging.id(before), limit + 1)
              {
                posts: lines(scope, found.first(limit)),
                next: found.size > limit ? found[limit - 1][:id] : nil,
                switched_off: listed.switched_off
              }
            end
          end

          # @param rows [Array<Hash>] of Store::Posts::Listed.lines
          # @return [Array<Hash>] one JSON-ready line for each
          def lines(scope, rows)
            rows.map { |row| line(row, Store::Posts::Listed.channels_of(scope, row)) }
          end

          private

          def line(row, channels)
            {
              id: row[:id],
              workspace_id: row[:workspace_id],
              subject: row[:subject],
              inner_name: row[:inner_name],
              stage: row[:stage],
              strip: row[:strip],
              at: row[:at]&.iso8601,
              channels: channels.map { |channel| CHANNEL.to_h { |name| [name.to_sym, channel[name]] } }
            }
          end
        end
      end
    end
  end
end
