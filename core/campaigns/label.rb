# frozen_string_literal: true

module AskFirst
  module Core
    module Campaigns
      # What a label looks like and is called.
      class Label
        NAME = Lengths::NAME
        INITIALS = 2
        # dark enough that white letters on them keep 4.5:1 (WCAG 2.2, 1.4.3; checked in the spec)
        COLOURS = {
          "ink" => "#16191C",
          "slate" => "#4C5358",
          "moss" => "#46622B",
          "teal" => "#0B6B63",
          "sea" => "#1F5F8B",
          "plum" => "#6D3A78",
          "brick" => "#98402A",
          "ochre" => "#7D5A00"
        }.freeze

        attr_reader :name, :initials, :colour

        # @raise [Invalid] name_missing, too_long, bad_colour
        def self.read(name:, initials:, colour:)
          text = Posts::Text.line(name, field: "name", limit: NAME)
          raise name_missing if text.empty?
          raise bad_colour unless COLOURS.key?(colour)

          new(name: text, initials: Posts::Text.line(initials.to_s, field: "initials", limit: INITIALS), colour: colour)
        end

        def self.name_missing
          Invalid.new("name_missing", "A label needs a name.", field: "name", way_on: "Say what such posts are.")
        end

        def self.bad_colour
          Invalid.new("bad_colour", "This is none of the labels' colours.", field: "colour", way_on: "Choose one.")
        end
        private_class_method :name_missing, :bad_colour

        def initialize(name:, initials:, colour:)
          @name = name
          @initials = initials
          @colour = colour
        end
      end
    end
  end
end
