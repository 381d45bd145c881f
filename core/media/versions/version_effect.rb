# frozen_string_literal: true

module AskFirst
  module Core
    module Media
      # What a newer version of a medium may do to a post that holds it: it changes a draft, what is sealed must be
      # unlocked first, and what is being sent or out stays as it is.
      module VersionEffect
        module_function

        # @param out [Boolean] whether all of the post is out
        # @param going [Array<String>] names of its channels on which it is being sent
        # @param sealed [Array<String>] names of its channels on which it is locked
        # @return [Hash] effect: "changes", "sealed" or "stays"; why: a sentence for the last two
        def of(out:, going:, sealed:)
          return { effect: "stays", why: "It is out, and stays as it is." } if out
          return { effect: "stays", why: "It is being sent." } if going.any?
          return { effect: "sealed", why: "Sealed for #{sealed.join(", ")}: unlock it there first." } if sealed.any?

          { effect: "changes", why: "" }
        end
      end
    end
  end
end
