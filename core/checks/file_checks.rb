# frozen_string_literal: true

module AskFirst
  module Core
    module Checks
      # What is said of the files of a post in the client's library: one whose right to be used ends before the post
      # goes out, one that words cover for the most part, one that is too small to look well. Warnings: the network
      # takes all of them.
      module FileChecks
        # covered: share of its area that words cover, 0 to 1 · pixels: [width, height] of the picture that goes out,
        # nil of another file
        File = Struct.new(:name, :usable_until, :covered, :pixels, keyword_init: true)

        module_function

        # @param files [Array<File>] that go out
        # @param on [Date, nil] the local day of its planned time in the client's zone
        # @param least [Integer, nil] pixels of the shorter side, of the network's card
        # @return [Array<PostChecks::Finding>]
        def call(files, on, least = nil)
          [
            *files
              .select { |file| on && Media::Usable.over?(file.usable_until, on) }
              .map { |file| right_ended(file, on) },
            *files.select { |file| Media::TextCoverage.over?(file.covered) }.map { |file| wordy(file) },
            *files
              .select { |file| file.pixels && Media::Size.small?(file.pixels, least) }
              .map { |file| small(file, least) }
          ]
        end

        def right_ended(file, on)
          ends, out = [file.usable_until, on].map { |day| day.strftime("%-d %B %Y") }
          PostChecks.warning(
            "right_ended",
            "media",
            "“#{file.name}” may be used until #{ends}, and this goes out on #{out}."
          )
        end

        def wordy(file)
          percent = (file.covered * 100).round
          PostChecks.warning(
            "many_words",
            "media",
            "Words cover #{percent} % of “#{file.name}”; more than 20 % is much."
          )
        end

        def small(file, least)
          PostChecks.warning(
            "too_small",
            "media",
            "“#{file.name}” goes out with #{file.pixels.join(" × ")} pixels; it looks soft here below #{least} on " \
              "its shorter side."
          )
        end
        private_class_method :right_ended, :wordy, :small
      end
    end
  end
end
