# frozen_string_literal: true

module AskFirst
  module Core
    module Checks
      # How much two texts say the same: the Jaccard index of their word 3-shingles, after case folding and without
      # links and hashtags. Texts of fewer than three words are compared for equality. Source: Broder, "On the
      # resemblance and containment of documents" (1997).
      module Similarity
        SHINGLE = 3
        ALIKE = 0.6
        WORD = /[\p{L}\p{M}\p{N}'’]+/
        QUOTES = /\A['’]+|['’]+\z/ # around a word, not in it

        module_function

        # @return [Float] 0 to 1
        def of(one, other)
          between(shingles(one), shingles(other))
        end

        # @param one [Array<String>] as of shingles
        def between(one, other)
          return 0.0 if one.empty? || other.empty?

          shared = (one & other).size
          shared.fdiv(one.size + other.size - shared)
        end

        # @return [Array<String>] each word run of three, once; of a shorter text the whole of it
        def shingles(text)
          words = words(text)
          return words.first(1).map { words.join(" ") } if words.size < SHINGLE

          words.each_cons(SHINGLE).map { |run| run.join(" ") }.uniq
        end

        def words(text)
          plain = Hashtags.without_links(text).gsub(Hashtags::TAG, " ").unicode_normalize(:nfc).downcase(:fold)
          plain.scan(WORD).map { |word| quoted?(word) ? word.gsub(QUOTES, "") : word }.reject(&:empty?)
        end

        def quoted?(word)
          word.start_with?("'", "’") || word.end_with?("'", "’")
        end
      end
    end
  end
end
