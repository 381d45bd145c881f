# frozen_string_literal: true

module AskFirst
  module App
    module Signoff
      # What of a line is still asked. What was opened or asked anew meanwhile is no longer part of it, as long as
      # something is left; a line of which nothing is left stays whole, so that it can be said why.
      module StillAsked
        ENDED = %w[withdrawn outdated].freeze

        module_function

        # @param rows [Array<Hash>] adaptations of one line, with :ended_as
        def of(rows)
          left = rows.reject { |row| ENDED.include?(row[:ended_as]) }
          left.empty? ? rows : left
        end
      end
    end
  end
end
