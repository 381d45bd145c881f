# frozen_string_literal: true

module AskFirst
  module Core
    module Plan
      # The pace that is wanted of each channel of a client. nil: not looked at.
      # week_min: posts in a week, at least · day_max: on a day, at most · apart: minutes between two, at least ·
      # gap: days without a post, at most
      PaceLimits =
        Struct.new(:week_min, :day_max, :apart, :gap, keyword_init: true) do
          # @param given [Hash{String=>Integer, nil}]
          # @raise [Invalid] bad_pace
          def self.read(given)
            values = PaceLimits::BOUNDS.to_h { |name, bounds| [name, number(given[name.to_s], name, bounds)] }
            new(**values)
          end

          def self.number(value, name, bounds)
            return if value.nil?
            return value if value.is_a?(Integer) && bounds.cover?(value)

            raise Invalid.new(
                    "bad_pace",
                    "This is between #{bounds.first} and #{bounds.last}.",
                    field: name.to_s,
                    way_on: "Choose one of these, or leave it empty."
                  )
          end
          private_class_method :number
        end
      PaceLimits::BOUNDS = { week_min: 1..50, day_max: 1..20, apart: 15..1_440, gap: 1..60 }.freeze
      # two hours and a week: common practice, no source
      PaceLimits::USUAL = PaceLimits.new(apart: 120, gap: 7).freeze
    end
  end
end
