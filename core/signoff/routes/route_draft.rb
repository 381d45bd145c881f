# frozen_string_literal: true

module AskFirst
  module Core
    module Signoff
      # A route as somebody writes it: what it must be like before it can stand.
      class RouteDraft
        MOST = 8 # steps
        # What the workspace knows. able: side => ids of the people who may answer there · roles: id => side · labels,
        # channels: ids
        Known = Struct.new(:able, :roles, :labels, :channels, keyword_init: true)

        # @param steps [Array<Hash>] with string keys: name, side, quorum, n, hours, required, four_eyes, people, roles,
        #   condition, and id where it stands already
        # @param known [Known]
        # @return [Array<Hash>] with symbol keys, for the store
        # @raise [Invalid] naming the step: facts["step"]
        def self.clean(steps, known)
          if steps.size > MOST
            raise TooMany.new(
                    "A route has at most #{MOST} steps.",
                    of: "steps",
                    field: "steps",
                    way_on: "Put steps together."
                  )
          end

          steps.each_with_index.map { |step, index| new(step, index + 1, known).clean }
        end

        def initialize(step, number, known)
          @step = step
          @number = number
          @known = known
        end

        def clean
          {
            id: @step["id"],
            name: name,
            side: side,
            people: people,
            roles: roles,
            hours: hours,
            required: @step.fetch("required", true),
            four_eyes: @step.fetch("four_eyes", true),
            condition: condition
          }.merge(quorum)
        end

        private

        def side
          return @step["side"] if @known.able.key?(@step["side"])

          raise bad("bad_side", "is inside or for the client.")
        end

        def name
          name = Posts::Text.line(@step["name"] || "", field: "steps", limit: Lengths::NAME)
          name.empty? ? raise(bad("name_missing", "has no name.")) : name
        end

        def people
          people = (@step["people"] || []).uniq
          return people if (people - @known.able.fetch(side)).empty?

          raise bad("cannot_answer", "names somebody who cannot answer there.")
        end

        def roles
          roles = (@step["roles"] || []).uniq
          return roles if roles.all? { |id| @known.roles[id] == side }

          raise bad("bad_role", "names a role that is not of its side.")
        end

        def quorum
          kind = @step["quorum"]
          raise bad("bad_quorum", "needs any, all, or a number of yeses.") unless %w[any all n].include?(kind)

          { quorum: kind, n: kind == "n" ? number_of_yeses : nil }
        end

        # Whoever has a role that is named is not counted here: who that is, is known when it is asked.
        def number_of_yeses
          n = @step["n"]
          raise bad("bad_quorum", "needs a whole number of yeses, one or more.") unless n.is_a?(Integer) && n.positive?
          if people.any? && roles.empty? && people.size < n
            raise bad("too_few_people", "needs #{n} yeses and names #{people.size} people.")
          end

          n
        end

        def hours
          value = @step["hours"]
          return value if value.is_a?(Numeric) && value.positive? && value <= 1_000

          raise bad("bad_hours", "needs its allowed working hours, above 0.")
        end

        # @return [Condition, nil]
        def condition
          value = @step["condition"] or return
          condition = Condition.new(value.merge("budget" => budget(value["budget"])))
          return if condition.to_h.except("proposes").empty?

          require_known!(condition)
          condition
        end

        def budget(value)
          return if value.nil?
          unless value["minor"].is_a?(Integer) && value["minor"] >= 0
            raise bad("bad_budget", "has an amount that is none.")
          end

          { "minor" => value["minor"], "currency" => Campaigns::Currency.clean(value["currency"], field: "steps") }
        end

        def require_known!(condition)
          known =
            (condition.labels - @known.labels).empty? && (condition.channels - @known.channels).empty? &&
              (condition.formats - Posts::Formats::TABLE.keys).empty?
          raise bad("bad_condition", "names a label, channel or format that is not there any more.") unless known
          return if condition.proposes.nil?
          return if Condition::PROPOSALS.include?(condition.proposes) && condition.labels.any?

          raise bad("bad_condition", "can propose a label only if it names one.")
        end

        def bad(code, rest)
          Invalid.new(
            code,
            "Step #{@number} #{rest}",
            field: "steps",
            way_on: "Mend it there; nothing was changed.",
            facts: {
              "step" => @number
            }
          )
        end
      end
    end
  end
end
