# frozen_string_literal: true

module AskFirst
  module Core
    module Media
      # Raised when a file is not, byte for byte, what it was when it was put where it lies: another one is there, or a
      # part of it. What was approved is known by its digest.
      class Spoiled < Conflict
        # @param place [String] the file's name among ours
        # @param wanted [Integer] bytes that it had
        # @param found [Integer] bytes that are there
        def initialize(place, wanted, found)
          super(
            "file_spoiled",
            "#{self.class.seen(wanted, found)} (#{place})",
            field: "media",
            way_on: "Have it brought back from a backup, or put a newer version in its place and ask again."
          )
        end

        # @return [String] what was seen, as the end of a sentence
        def self.seen(wanted, found)
          return "has other bytes than what was approved, as many as that" if found == wanted

          "has #{found} bytes where what was approved has #{wanted}"
        end
      end
    end
  end
end
