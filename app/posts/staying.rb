# frozen_string_literal: true

module AskFirst
  module App
    module Posts
      # Why a channel cannot be taken off a post now: asked by the act and by the page that offers it.
      module Staying
        module_function

        # @param adaptation [Store::Posts::PostState::Adaptation]
        # @return [Core::Error, nil] nil when it can be taken off
        def refusal(adaptation)
          name = adaptation.channel[:name]
          if adaptation.sent?
            Core::Over.new(
              "too_late",
              "#{name} is being sent or is out, and cannot be removed.",
              field: "channel_ids",
              way_on: "Look at it in Dispatch."
            )
          elsif adaptation.verdict.sealed?
            Core::Conflict.new(
              "sealed",
              "#{name} is locked and cannot be removed.",
              field: "channel_ids",
              way_on: "Unlock it first.",
              facts: {
                "adaptations" => [adaptation.id]
              }
            )
          end
        end
      end
    end
  end
end
