# frozen_string_literal: true

module AskFirst
  module Core
    module Posts
      # Whose a value is beside whoever writes it: whoever copies or edits one takes its authors along, until nothing of
      # it is left. Of text that is three words in a row, of files one of them.
      module Authorship
        RUN = 3 # words
        UNSPACED = /[\p{Han}\p{Hiragana}\p{Katakana}\p{Thai}\p{Lao}\p{Khmer}\p{Myanmar}]/

        module_function

        # @param part [String]
        # @param from [Object] the value that this one came from
        # @param value [Object]
        # @param authors [Array<String>] of what it came from
        # @return [Array<String>] those who are still in it
        def carried(part, from, value, authors)
          shares?(part, from, value) ? authors : []
        end

        def shares?(part, from, value)
          return false if [from, value].any? { |one| one.nil? || one == "" || one == [] || one == {} }

          case part
          when "text", "first_comment"
            shares_words?(words(from), words(value))
          when "media"
            from.intersect?(value)
          else
            true
          end
        end

        # Of what is shorter than a run, one word is enough.
        def shares_words?(before, after)
          return before == after if before.empty? || after.empty?

          run = [before.size, after.size].min < RUN ? 1 : RUN

          before.each_cons(run).to_set.intersect?(after.each_cons(run).to_set)
        end

        # Where a script puts no spaces between words, each sign counts as one.
        def words(text) = text.to_s.downcase.scan(/#{UNSPACED}|(?:(?!#{UNSPACED})[[:alnum:]])+/)
        private_class_method :shares?, :shares_words?, :words
      end
    end
  end
end
