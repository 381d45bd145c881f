# frozen_string_literal: true

require "diff/lcs"

module AskFirst
  module Core
    module Posts
      # Two texts compared word by word: what stayed, what is gone, what is new. By the longest common subsequence of
      # words, signs and white space (the package diff-lcs).
      module WordDiff
        TOKEN = /\s+|[\p{L}\p{M}\p{N}]+(?:['’][\p{L}\p{M}\p{N}]+)*|[^\s]/
        Run = Struct.new(:kind, :words, keyword_init: true) # kind: same, gone, new

        module_function

        # @return [Array<Run>] in reading order; where words were replaced, what is gone stands before what is new
        def runs(before, after)
          steps = Diff::LCS.sdiff(tokens(before), tokens(after)).flat_map { |change| step(change) }
          in_order(steps)
            .chunk_while { |one, other| one[0] == other[0] }
            .map { |run| Run.new(kind: run[0][0], words: run.map(&:last).join) }
        end

        def tokens(text)
          text.scan(TOKEN)
        end

        def step(change)
          case change.action
          when "="
            [["same", change.old_element]]
          when "-"
            [["gone", change.old_element]]
          when "+"
            [["new", change.new_element]]
          else
            [["gone", change.old_element], ["new", change.new_element]]
          end
        end

        # Within one stretch of changes, everything that is gone before everything that is new.
        def in_order(steps)
          steps
            .chunk_while { |one, other| one[0] != "same" && other[0] != "same" }
            .flat_map { |stretch| stretch.partition { |kind, _| kind != "new" }.flatten(1) }
        end
        private_class_method :step, :in_order
      end
    end
  end
end
