# frozen_string_literal: true

module AskFirst
  module App
    module Agency
      # One line that finds: whatever has a word in it, over the clients that somebody may see.
      class Find
        LEAST = 2 # letters
        KINDS = %i[posts discarded people labels campaigns media].freeze
        WORDS = Core::Lengths::SEARCH

        # @param scope [Store::Scope] of the agency side
        # @param words [String]
        # @return [Hash] JSON-ready: :posts, :discarded, :people, :labels, :campaigns, :media
        def self.call(scope, words)
          clean = Core::Posts::Text.line(words.to_s, field: "words", limit: WORDS)
          return KINDS.to_h { |kind| [kind, []] } if clean.length < LEAST

          scope.transaction do
            found = Store::Agency::Found.new(scope, clean).call
            discarded = found[:discarded].map { |row| row.slice(:workspace_id, :id, :subject) }
            posts = found[:posts].map { |row| row.slice(:workspace_id, :id, :subject, :stage) }
            found.merge(posts: posts, discarded: discarded)
          end
        end
      end
    end
  end
end
