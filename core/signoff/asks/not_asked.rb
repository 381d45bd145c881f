# frozen_string_literal: true

module AskFirst
  module Core
    module Signoff
      # Says why a post cannot be asked for, in a sentence with the way on. The reasons are looked at in order, and the
      # first that holds is given.
      module NotAsked
        HIDDEN = "What is to be asked of it is on channels that you do not see."
        GONE = "It is not there any more."

        module_function

        # @param channels [Integer] that the post is on
        # @param unsent [Array<Hash>] channels, of :name and :archived_at, on which it is neither out nor being sent
        # @param waits_at [Step, nil] the first step that one of its channels waits at
        # @return [String]
        def why(channels:, unsent:, waits_at:)
          return "It has no channel yet. Choose one." if channels.zero?
          return "It is out." if unsent.empty?
          return Channels::Archived.sentence(unsent.first) if unsent.all? { |channel| Channels::Archived.it?(channel) }
          return "It has all its yeses." unless waits_at

          "It is asked already at “#{waits_at.name}”, exactly as it stands. Wait for the answer, or withdraw that ask."
        end

        # @param faults [Array<Array(String, Array<String>)>] name of a channel, sentences about what is wrong there
        # @return [String, nil] nil where one of the channels has nothing in the way: it does not wait for the others
        def in_the_way(faults)
          return if faults.any? { |_, sentences| sentences.empty? }

          faults.map { |channel, sentences| "#{channel}: #{sentences.join(" ")}" }.join(" ")
        end
      end
    end
  end
end
