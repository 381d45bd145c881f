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

    # Raised when there is more than is taken at once, or kept in one place. 422.
    class TooMany < Invalid
      # @param sentence [String] how many are the most
      # @param of [String, nil] what, for the code: "posts" gives "too_many_posts"
      def initialize(sentence, of: nil, **more)
        super(["too_many", of].compact.join("_"), sentence, **more)
      end
    end

    # Raised when somebody or something was quicker. 409.
    class Conflict < Error
    end

    # Raised when another one has the name already. 409.
    class NameTaken < Conflict
      # @param what [String] such as "a role with this name"
      def initialize(what, way_on: "Give it another name.")
        super("name_taken", "There is #{what} already.", field: "name", way_on: way_on)
      end
    end

    # Raised when somebody changed meanwhile what the writer saw: nothing of either is lost. 409.
    class Changed < Conflict
      KEPT = "Look at it as it is now; what you wrote is kept here."

      # @param code [String] such as "part_changed"
      # @param what [String] such as "this role"
      # @param by [String, nil] the name of whoever did it
      # @param facts [Hash] :theirs, what stands there now, and :version, which is to be seen before it is written over
      def initialize(code, what, by: nil, field: nil, way_on: "Look at theirs, then keep yours or take it.", **facts)
        more = facts.transform_keys(&:to_s)
        more["by"] = by if by
        super(code, "#{by || "Somebody"} changed #{what} meanwhile.", field: field, way_on: way_on, facts: more)
      end
    end
    # Raised when something that is needed is out of reach just now. 503.
    class Away < Error
    end
    # Raised when the pass, the ask or the moment is over. 410.
    class Over < Error
    end
  end
end
