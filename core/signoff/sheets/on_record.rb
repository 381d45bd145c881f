# frozen_string_literal: true

module AskFirst
  module Core
    module Signoff
      # Whether an entry of the record says the same as an answer or a ruling that is kept beside it. One that no entry
      # says was changed since, or put there by somebody who passed by the acts.
      module OnRecord
        RULINGS = {
          "skip" => "step_skipped",
          "drop" => "step_dropped",
          "strike" => "place_struck",
          "fill" => "place_filled",
          "set_aside" => "block_set_aside"
        }.freeze
        ANSWERS = %w[answered cleared_for disowned].freeze
        ACTS = [*ANSWERS, *RULINGS.values].freeze

        module_function

        # @param entry [Hash] of the record: :act and :facts
        # @param answer [Hash] row: :verdict, :words, :fingerprint, :step_id, :person_id, :given_by and :eligible
        def answer?(entry, answer)
          facts = entry[:facts]
          said =
            case entry[:act]
            when "answered"
              facts.values_at("verdict", "words") == answer.values_at(:verdict, :words) &&
                answer[:person_id] == answer[:given_by]
            when "cleared_for"
              answer[:verdict] == "yes" && facts["reason"] == answer[:words] && answer[:person_id] != answer[:given_by]
            when "disowned"
              answer[:verdict] == "no" && answer[:person_id] == answer[:given_by]
            end
          said && agrees?(facts, answer)
        end

        # @param ruling [Hash] row: :kind, :reason, :fingerprint, :step_id and :place_person_id
        def ruling?(entry, ruling)
          RULINGS[ruling[:kind]] == entry[:act] && entry[:facts]["reason"] == ruling[:reason] &&
            agrees?(entry[:facts], ruling.merge(person_id: ruling[:place_person_id]))
        end

        # What older entries do not say is not asked of them.
        def agrees?(facts, row)
          prints = facts["fingerprints"]
          at = prints&.index(row[:fingerprint])
          return false if prints && at.nil?
          return false if facts.key?("counted") && facts["counted"][at || 0] != row[:eligible]

          { "step_id" => :step_id, "person_id" => :person_id }.all? do |fact, column|
            !facts.key?(fact) || facts[fact] == row[column]
          end
        end
        private_class_method :agrees?
      end
    end
  end
end
