# frozen_string_literal: true

module AskFirst
  module Core
    module Dispatch
      # Whether a person has stopped what a route would release by itself: by unlocking it or taking it back. It then
      # waits for a person, or for a yes that came after.
      module Stopped
        # opened_at: when it was last unlocked · taken_back_at: when its last release was taken back, nil where it was
        # not · yes_at: when the last yes that counted was given; each nil where there is none
        Facts = Struct.new(:opened_at, :taken_back_at, :yes_at, keyword_init: true)

        module_function

        # @param facts [Facts]
        def by_person?(facts)
          opened = facts.opened_at && (facts.yes_at.nil? || facts.yes_at < facts.opened_at)
          taken_back = facts.taken_back_at && (facts.yes_at.nil? || facts.yes_at <= facts.taken_back_at)
          opened || taken_back ? true : false
        end
      end
    end
  end
end
