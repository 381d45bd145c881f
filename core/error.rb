# frozen_string_literal: true

module AskFirst
  module Core
    # The root of everything that a person can be refused with. The sentence says what is wrong and why, `way_on` what
    # can be done, `field` where.
    class Error < StandardError
      attr_reader :code, :field, :way_on, :facts

      # @param code [String] stable and machine-readable, such as "part_changed"
      # @param sentence [String] for the person
      # @param facts [Hash] what the interface needs to help, such as the other person's value
      def initialize(code, sentence, field: nil, way_on: nil, facts: {})
        super(sentence)
        @code = code
        @field = field
        @way_on = way_on
        @facts = facts
      end
    end

    # Raised when a value cannot be what it should be. 422.
    class Invalid < Error
    end
    # Raised when the person may not; names the rule and who can. 403.
    class Refused < Error
    end

    # Raised when there is no such thing, or none that this person may know of: one answer for both. 404.
    class NotFound < Error
      def initialize(what = "That")
        super("not_found", "#{what} is not here, or not yours to see.", way_on: "Go back to the Desk.")
      end
    end

    # Raised when somebody or something was quicker. 409.
    class Conflict < Error
    end
    # Raised when something that is needed is out of reach just now. 503.
    class Away < Error
    end
    # Raised when the pass, the ask or the moment is over. 410.
    class Over < Error
    end
  end
end
