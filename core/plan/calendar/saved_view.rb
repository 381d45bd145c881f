# frozen_string_literal: true

module AskFirst
  module Core
    module Plan
      # A view of the plan by a name: how it looks and what it is narrowed to.
      class SavedView
        LOOKS = %w[month week channels wall year list].freeze
        NAME = Lengths::NAME
        MOST = 30 # of one person or client

        attr_reader :name, :look, :filter

        # @param narrowing [Hash{String=>String}] see Filter
        # @raise [Invalid] name_missing, too_long, bad_look, bad_filter
        def self.read(name:, look:, narrowing:)
          new(clean(name), LOOKS.include?(look) ? look : raise(bad_look), Filter.read(narrowing))
        end

        def self.clean(name)
          text = Posts::Text.line(name, field: "name", limit: NAME)
          return text unless text.empty?

          raise Invalid.new("name_missing", "The view needs a name.", field: "name", way_on: "Say what it shows.")
        end

        def self.bad_look
          Invalid.new(
            "bad_look",
            "A view is a month, a week, channels, a wall, a year or a list.",
            field: "look",
            way_on: "Choose one."
          )
        end

        # @return [Invalid]
        def self.too_many
          TooMany.new(
            "There are #{MOST} saved views here already.",
            of: "views",
            field: "name",
            way_on: "Remove one that nobody needs any more."
          )
        end
        private_class_method :clean, :bad_look

        def initialize(name, look, filter)
          @name = name
          @look = look
          @filter = filter
        end
      end
    end
  end
end
