# frozen_string_literal: true

module AskFirst
  module Core
    module Plan
      # How a post stands, in words that are meant for a client: what waits for them, what they said, what goes out.
      module SharedState
        TABLE = {
          "client_approval" => "waits",
          "changes_wanted" => "changing",
          "drafting" => "changing",
          "internal_review" => "changing",
          "cleared" => "agreed",
          "released" => "agreed",
          "out" => "out",
          "trouble" => "held",
          "held" => "held"
        }.freeze

        module_function

        # @param stage [String] see Signoff::Stages
        # @return [String] waits, changing, agreed, out or held
        def of(stage) = TABLE.fetch(stage)
      end
    end
  end
end
