# frozen_string_literal: true

module AskFirst
  module Core
    module Posts
      # The parts of a post, who may touch which, and the only place where following is defined.
      module Parts
        # part => kinds of permission that open it; `descriptions` is copy and visuals alike
        GROUPS = {
          "text" => %w[copy],
          "link" => %w[copy],
          "first_comment" => %w[copy],
          "call_to_action" => %w[copy],
          "tagged" => %w[copy],
          "descriptions" => %w[copy visuals],
          "media" => %w[visuals],
          "framing" => %w[visuals],
          "format" => %w[visuals],
          "time" => %w[timing],
          "event" => %w[timing],
          "audience" => %w[all],
          "budget" => %w[all]
        }.freeze
        ALL = GROUPS.keys.freeze
        # everything but the time is in the fingerprint, and therefore sealed
        MATERIAL = (ALL - ["time"]).freeze

        NOTHING = {
          "text" => "",
          "link" => nil,
          "media" => [],
          "framing" => {
          },
          "descriptions" => {
          },
          "tagged" => [],
          "first_comment" => "",
          "call_to_action" => nil,
          "format" => nil,
          "audience" => nil,
          "event" => nil,
          "budget" => nil,
          "time" => nil
        }.freeze

        module_function

        # What a channel gets: its own part, else the master's, else nothing.
        # @param master [Hash{String=>Object}] the master's values
        # @param own [Hash{String=>Object}] the values that the channel has of its own
        # @return [Hash{String=>Object}] one value for every part
        def resolve(master, own)
          NOTHING.merge(master.slice(*ALL)).merge(own.slice(*ALL)).freeze
        end

        # Which channels would change with the master's part: those without a value of their own.
        # @param own_by_channel [Hash{String=>Hash}] channel id => its own parts
        def followers(part, own_by_channel)
          own_by_channel.reject { |_, own| own.key?(part) }.keys
        end
      end
    end
  end
end
