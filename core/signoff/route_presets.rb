# frozen_string_literal: true

module AskFirst
  module Core
    module Signoff
      # Routes to begin with, and what a route must be like. Common practice, no source.
      module RoutePresets
        ALL = {
          "colleague_client" => [
            "A colleague reads, the client says yes",
            [["Read by a colleague", "internal"], ["The client's yes", "client"]]
          ],
          "client" => ["The client says yes", [["The client's yes", "client"]]],
          "copy_lead_client" => [
            "Copy, lead, then the client",
            [["Copy is right", "internal"], ["The lead's yes", "internal"], ["The client's yes", "client"]]
          ],
          "colleague" => ["A colleague reads; the client does not answer", [["Read by a colleague", "internal"]]],
          "none" => ["No step: whoever may release marks posts ready", []]
        }.freeze
        MOST = 8

        module_function

        # @param steps [Array<Hash>] with string keys: name, side, quorum, n, hours, required, four_eyes, people
        # @param able [Hash{String=>Array<String>}] side => ids of the people who may answer there
        # @return [Array<Hash>] with symbol keys, for the store
        # @raise [Invalid]
        def clean(steps, able)
          if steps.size > MOST
            raise Invalid.new(
                    "too_many_steps",
                    "A route has at most #{MOST} steps.",
                    field: "steps",
                    way_on: "Put steps together."
                  )
          end

          steps.each_with_index.map { |step, index| clean_step(step, index + 1, able) }
        end

        def clean_step(step, number, able)
          side = step["side"]
          raise bad("bad_side", number, "is inside or for the client.") unless able.key?(side)

          name = Posts::Text.line(step["name"] || "", field: "steps", limit: 60)
          raise bad("name_missing", number, "has no name.") if name.empty?

          people = (step["people"] || []).uniq
          if (people - able.fetch(side)).any?
            raise bad("cannot_answer", number, "names somebody who cannot answer there.")
          end

          {
            name: name,
            side: side,
            people: people,
            hours: hours(step["hours"], number),
            required: step.fetch("required", true),
            four_eyes: step.fetch("four_eyes", true)
          }.merge(quorum(step, number, people))
        end

        def quorum(step, number, people)
          kind = step["quorum"]
          raise bad("bad_quorum", number, "needs any, all, or a number of yeses.") unless %w[any all n].include?(kind)
          return { quorum: kind, n: nil } unless kind == "n"

          n = step["n"]
          unless n.is_a?(Integer) && n.positive?
            raise bad("bad_quorum", number, "needs a whole number of yeses, one or more.")
          end
          if people.any? && people.size < n
            raise bad("too_few_people", number, "needs #{n} yeses and names #{people.size} people.")
          end

          { quorum: "n", n: n }
        end

        def hours(value, number)
          return value if value.is_a?(Numeric) && value.positive? && value <= 1_000

          raise bad("bad_hours", number, "needs its allowed working hours, above 0.")
        end

        def bad(code, number, rest)
          Invalid.new(
            code,
            "Step #{number} #{rest}",
            field: "steps",
            way_on: "Mend it there; nothing was changed.",
            facts: {
              "step" => number
            }
          )
        end
      end
    end
  end
end
