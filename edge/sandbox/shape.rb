# frozen_string_literal: true

module AskFirst
  module Edge
    class Sandbox
      # What an answer out of the sandbox must look like: checks that raise for anything else. Whoever took over a child
      # by a hostile file may answer whatever they like, and gets no further than these.
      module Shape
        # An answer that is not of the shape that its reader gives.
        class Wrong < StandardError
        end

        module_function

        # @param most [Integer] characters
        def text(most)
          lambda do |value|
            good = value.is_a?(String) && value.valid_encoding? && value.length <= most && !value.include?("\u0000")
            good ? value : wrong("text", value)
          end
        end

        # @param words [Array<String>]
        def one_of(words) = ->(value) { words.include?(value) ? value : wrong("one of #{words.join(", ")}", value) }

        # @param range [Range<Integer>]
        def whole(range) = ->(value) { value.is_a?(Integer) && range.cover?(value) ? value : wrong("whole", value) }

        # @param range [Range<Numeric>]
        def number(range) = ->(value) { value.is_a?(Numeric) && range.cover?(value) ? value : wrong("number", value) }

        def flag = ->(value) { [true, false].include?(value) ? value : wrong("yes or no", value) }

        def maybe(shape) = ->(value) { value.nil? ? nil : shape.call(value) }

        # @param most [Integer] entries
        def list(shape, most)
          lambda do |value|
            wrong("list", value) unless value.is_a?(Array) && value.size <= most
            value.map { |one| shape.call(one) }
          end
        end

        # @param shapes [Hash{Symbol=>#call}]
        # @return [#call] gives a Hash with these keys and no others
        def fields(**shapes)
          lambda do |value|
            wrong("fields", value) unless value.is_a?(Hash) && (value.keys - shapes.keys.map(&:to_s)).empty?
            shapes.to_h { |name, shape| [name, shape.call(value[name.to_s])] }
          end
        end

        def wrong(wanted, value) = raise(Wrong, "#{wanted} was expected, not #{value.inspect[0, 80]}")
      end
    end
  end
end
