# frozen_string_literal: true

module AskFirst
  module App
    module Plan
      # What is said of each post when something is done to several: whether it was done, and if not, why.
      module SeveralAnswer
        module_function

        # @param was [String, nil] stage before
        # @param more [Hash] :stage after, :changed, :before, :made
        # @return [Hash] JSON-ready
        def done(id, was, **more)
          { post_id: id, done: true, changed: true, was: was, stage: was, why: nil, before: nil, made: [] }.merge(more)
        end

        # @param error [Core::Error]
        def refused(id, was, error)
          done(id, was, done: false, changed: false, why: [error.message, error.way_on].compact.join(" "))
        end

        # @return [Core::Conflict] of one that is to be moved
        def no_time
          Core::Conflict.new("no_time", "It has no time yet.", way_on: "Give it one first.")
        end
      end
    end
  end
end
