# frozen_string_literal: true

module AskFirst
  module Core
    module Posts
      # Mentions: a post names people and things by their plain name in brackets, @[Harbour Museum], and each network
      # gets its own spelling out of the client's book. Where a network has none, the plain name goes out.
      module Mentions
        TOKEN = /@\[([^\[\]\n]{1,80})\]/

        # name => {network => spelling}, whatever the case of the name
        class Book
          # @param rows [Array<Hash>] {name:, network:, spelling:}
          def initialize(rows = [])
            @spellings = rows.to_h { |row| [[row[:name].downcase(:fold), row[:network]], row[:spelling]] }.freeze
            freeze
          end

          # @return [String, nil]
          def spelling(name, network)
            @spellings[[name.downcase(:fold), network]]
          end
        end
        NOBODY = Book.new

        module_function

        # @return [Array<String>] names, in the order in which they come
        def names(text)
          text.scan(TOKEN).flatten
        end

        # @return [Array<String>] names that the network has no spelling for, each once
        def unspelled(text, book, network)
          names(text).reject { |name| book.spelling(name, network) }.uniq
        end

        # @return [String] the text as the network gets it
        def spell(text, book, network)
          text.gsub(TOKEN) { book.spelling(Regexp.last_match(1), network) || Regexp.last_match(1) }
        end

        # How much of what was written is within, when so much of what is sent is: a name is within as a whole or not
        # at all.
        # @param within [Integer] code points of the spelled text
        # @return [Integer] code points of the text as it was written
        def written(text, book, network, within)
          sent = taken = 0
          text
            .split(/(@\[[^\[\]\n]{1,80}\])/)
            .each do |piece|
              length = spell(piece, book, network).length
              return piece.match?(TOKEN) ? taken : taken + (within - sent) if sent + length > within

              sent += length
              taken += piece.length
            end
          taken
        end
      end
    end
  end
end
