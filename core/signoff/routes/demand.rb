# frozen_string_literal: true

module AskFirst
  module Core
    module Signoff
      # The steps that an adaptation must pass: those of today's route whose condition it meets, plus every step that
      # was ever asked of this post, less what someone with `govern` dropped on record. A step never vanishes because
      # the route was edited, or because what its condition looks at was changed after it was asked.
      module Demand
        module_function

        # @param route [Array<Step>] of today
        # @param asked [Array<Step>] steps that were ever asked of the post
        # @param dropped [Array<String>] step ids dropped on record
        # @param facts [Condition::Facts] of the adaptation
        # @param own [Array<String>] ids of the steps that were asked of this adaptation
        # @return [Array<Step>] in order, internal before client where positions are equal
        def of(route, asked, dropped, facts:, own:)
          wanted = route.select { |step| step.wanted?(facts) }
          wanted += asked.select { |step| own.include?(step.id) || step.wanted?(facts) }
          in_order(wanted.reject { |step| dropped.include?(step.id) })
        end

        # @param steps [Array<Step>]
        # @return [Array<Step>] each once
        def in_order(steps)
          steps.uniq(&:id).sort_by { |step| [step.position, step.side == "internal" ? 0 : 1, step.id] }
        end
      end
    end
  end
end
