# frozen_string_literal: true

module AskFirst
  module Core
    module Signoff
      # The steps that an adaptation must pass: today's route, plus every step that was ever asked of this post, less
      # what someone with `govern` dropped on record. A step never vanishes because the route was edited.
      module Demand
        module_function

        # @param route [Array<Step>] today's resolution
        # @param asked [Array<Step>] steps that were ever asked of the post
        # @param dropped [Array<String>] step ids dropped on record
        # @return [Array<Step>] in order, internal before client where positions are equal
        def of(route, asked, dropped)
          (route + asked)
            .uniq(&:id)
            .reject { |step| dropped.include?(step.id) }
            .sort_by { |step| [step.position, step.side == "internal" ? 0 : 1, step.id] }
        end
      end
    end
  end
end
