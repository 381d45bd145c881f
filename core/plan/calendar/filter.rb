# frozen_string_literal: true

module AskFirst
  module Core
    module Plan
      # What the views of the plan are narrowed to. Each kind that is named must hold; of several of one kind, any of
      # them. The same words stand in the address of a page, in a saved view and in a request.
      class Filter
        KINDS = %w[channels stages labels campaigns people waits words].freeze
        # for whom a post waits: the client, somebody of the agency's side, whoever looks
        WAITS = %w[client colleague me].freeze
        MOST = 50 # of one kind
        WORDS = Lengths::SEARCH

        # @param given [Hash{String=>String, nil}] kind => values by comma; words as they are
        # @return [Filter]
        # @raise [Invalid] bad_filter, at the kind
        def self.read(given)
          new(KINDS.to_h { |kind| [kind, values(kind, given[kind].to_s.strip)] })
        end

        def self.values(kind, text)
          return text[0, WORDS] if kind == "words"

          text.split(",").map(&:strip).reject(&:empty?).uniq.first(MOST).each { |one| check!(kind, one) }
        end

        def self.check!(kind, value)
          known =
            case kind
            when "stages"
              Signoff::Stages::NAMES.include?(value)
            when "waits"
              WAITS.include?(value)
            else
              Uuid::FORMAT.match?(value)
            end
          return if known

          raise Invalid.new(
                  "bad_filter",
                  "“#{value[0, 40]}” is nothing that can be narrowed to here.",
                  field: kind,
                  way_on: "Choose from the list."
                )
        end
        private_class_method :values, :check!

        def initialize(values)
          @values = values.freeze
        end

        def [](kind) = @values.fetch(kind)
        def empty? = @values.values.all?(&:empty?)
        def named = @values.reject { |_, values| values.empty? }

        # @return [Hash{String=>String}] as it stands in an address; what is not narrowed is left out
        def to_h
          named.transform_values { |values| values.is_a?(Array) ? values.join(",") : values }
        end

        NONE = read({})
      end
    end
  end
end
