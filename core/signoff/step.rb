# frozen_string_literal: true

module AskFirst
  module Core
    module Signoff
      # One step of a route: who must say yes, how many, by which side.
      # quorum: "any" (one of those asked), "all" (each of them), "n" (n of them)
      Step = Struct.new(:id, :position, :name, :side, :quorum, :n, :required, :four_eyes, :people, :hours, keyword_init: true) do
        # Whoever asks does not answer as well, as long as enough others can.
        # @param asker [String] person id
        # @return [Array<String>] whom an ask goes to
        def people_for(asker, among = people)
          others = among - [asker]
          quorum != "all" && others.size >= (n || 1) ? others : among
        end

        # @param asked [Array<String>] ids of the people asked
        # @return [Array<String, nil>] places: a person's own, or nil for one open to any of them
        # @raise [Invalid] too_few_people
        def places_for(asked)
          if asked.empty?
            raise Invalid.new("too_few_people", "Nobody is named for the step “#{name}”.", field: "people",
              way_on: "Choose who is to answer.")
          end

          case quorum
          when "all" then asked
          when "any" then [nil]
          else
            if asked.size < n
              raise Invalid.new("too_few_people", "The step “#{name}” needs #{n} people and #{asked.size} would be asked.", field: "people",
                way_on: "Choose #{n - asked.size} more.")
            end
            [nil] * n
          end
        end
      end
    end
  end
end
