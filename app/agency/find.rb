# frozen_string_literal: true

module AskFirst
  module App
    module Agency
      # One line that finds: whatever has a word in it, over the clients that somebody may see.
      class Find
        LEAST = 2 # letters
        WORDS = Core::Lengths::SEARCH

        # @param scope [Store::Scope] of the agency side
        # @param words [String]
        # @return [Hash] JSON-ready: :posts, :people, :labels, :campaigns, :media
        def self.call(scope, words)
          clean = Core::Posts::Text.line(words.to_s, field: "words", limit: WORDS)
          return { posts: [], people: [], labels: [], campaigns: [], media: [] } if clean.length < LEAST

          scope.transaction do
            found = Store::Agency::Found.new(scope, clean).call
            found.merge(posts: found[:posts].map { |row| row.slice(:workspace_id, :id, :subject, :stage) })
          end
        end
      end
    end
  end
end
