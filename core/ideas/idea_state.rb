# frozen_string_literal: true

module AskFirst
  module Core
    module Ideas
      # What has become of an idea, and whether that is in time.
      module IdeaState
        SOON = 3 # days before its day that it is said

        # status: of Idea::STATUSES · due_on: Date or nil · post: {stage:, day: Date or nil} or nil · pencilled: the day
        # of its first pencil mark, or nil
        Facts = Struct.new(:status, :due_on, :post, :pencilled, keyword_init: true)

        # the first that fits
        STATES = [
          ["out", ->(facts) { facts.post && facts.post[:stage] == "out" }],
          ["post", lambda(&:post)],
          ["pencilled", lambda(&:pencilled)],
          ["aside", ->(facts) { facts.status == "aside" }],
          ["ready", ->(facts) { facts.status == "ready" }],
          ["thought", ->(_) { true }]
        ].freeze
        MADE = %w[out post pencilled].freeze
        # what whoever of the client gave it is told
        FOR_CLIENT = {
          "out" => "It went out.",
          "post" => "A post is being made of it.",
          "pencilled" => "It has a day in the plan.",
          "aside" => "It is kept for another time.",
          "ready" => "It is wanted.",
          "thought" => "It is with your agency."
        }.freeze

        module_function

        # @param facts [Facts]
        # @return [String] one of STATES
        def state(facts) = STATES.find { |_, fits| fits.call(facts) }.first

        # @param today [Date] in the client's zone
        # @return [String] none, ahead, soon, late: not made yet, to its day · in_time, after: made, to its planned day
        def timing(facts, today)
          return "none" if facts.due_on.nil? || state(facts) == "aside"

          planned = facts.post ? facts.post[:day] : facts.pencilled
          return planned <= facts.due_on ? "in_time" : "after" if planned
          return "late" if today > facts.due_on

          facts.due_on - today <= SOON ? "soon" : "ahead"
        end
      end
    end
  end
end
