# frozen_string_literal: true

require "set"

module AskFirst
  module Core
    module Checks
      # How much two texts say the same: the Jaccard index of their word 3-shingles, after case folding and without links and
      # hashtags. Texts of fewer than three words are compared for equality. Source: Broder, "On the resemblance and containment
      # of documents" (1997).
      module Similarity
        SHINGLE = 3
        ALIKE = 0.6
        WORD = /[\p{L}\p{M}\p{N}]+(?:['’][\p{L}\p{M}\p{N}]+)*/

        module_function

        # @return [Float] 0 to 1
        def of(one, other)
          between(shingles(one), shingles(other))
        end

        # @param one [Set] as of shingles
        def between(one, other)
          return 0.0 if one.empty? || other.empty?

          (one & other).size.fdiv((one | other).size)
        end

        # @return [Set<Array<String>>] each word run of three; of a shorter text the whole of it
        def shingles(text)
          words = words(text)
          return Set.new if words.empty?

          Set.new(words.size < SHINGLE ? [words] : words.each_cons(SHINGLE))
        end

        def words(text)
          Hashtags.without_links(text).gsub(Hashtags::TAG, " ").unicode_normalize(:nfc).downcase(:fold).scan(WORD)
        end
      end
    end
  end
end
