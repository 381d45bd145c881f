# frozen_string_literal: true

module AskFirst
  module App
    module Signoff
      # Reminds those who have not answered an ask, now and by hand. Somebody of the client is written to once a day at
      # most, whoever nudges.
      class Nudge < Act
        opens :ask, "ask"

        # @return [Array<String>] names of those who are reminded
        # @raise [Core::Conflict] nobody_waits, nudged_today
        def call(ask_id:)
          waiting = WaitingOn.of(scope, [ask_id], method(:post_states)).fetch(ask_id, {})
          raise nobody if waiting.empty?

          reminded = RemindPeople.call(environment, member, ask: row, waiting: waiting, again: true)
          raise today(waiting) if reminded.empty?

          announce("posts", ids: row[:post_ids].to_a)
          reminded.map { |id| names.fetch(id) }.sort
        end

        private

        def nobody
          Core::Conflict.new(
            "nobody_waits",
            "Nobody is waited for here any more.",
            way_on: "Look at what was answered."
          )
        end

        def today(waiting)
          who = waiting.keys.map { |id| names.fetch(id).split.first }.sort
          Core::Conflict.new(
            "nudged_today",
            "#{who.join(" and ")} had a reminder today with all that waits; there is one a day at most.",
            way_on: "Nudge again tomorrow, or call."
          )
        end
      end
    end
  end
end
