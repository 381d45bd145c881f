# frozen_string_literal: true

module AskFirst
  module Core
    module Signoff
      # The stages as a table: the first line whose condition holds is where the adaptation stands.
      module Stages
        TABLE = [
          ["trouble", ->(v) { v.facts.showing == "trouble" }],
          ["out", ->(v) { v.facts.showing == "out" }],
          ["released", lambda(&:sending?)],
          ["held", ->(v) { v.releasable? && v.facts.released && v.held? }],
          ["changes_wanted", ->(v) { v.blocks.any? }],
          ["drafting", lambda(&:drafting?)],
          ["internal_review", ->(v) { v.waits_at&.side == "internal" }],
          ["client_approval", ->(v) { v.waits_at&.side == "client" }],
          ["released", ->(v) { v.facts.released }],
          ["cleared", ->(_) { true }]
        ].freeze
        NAMES = TABLE.map(&:first).uniq.freeze

        # A post stands where its least advanced adaptation stands; trouble and held first.
        ORDER = %w[trouble held changes_wanted drafting internal_review client_approval cleared released out].freeze

        module_function

        def first_that_fits(verdict)
          TABLE.find { |_, condition| condition.call(verdict) }.first
        end

        # @param stages [Array<String>] of the adaptations
        # @return [String] the post's
        def of_post(stages)
          stages.min_by { |stage| ORDER.index(stage) } || "drafting"
        end
      end
    end
  end
end
