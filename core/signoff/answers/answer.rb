# frozen_string_literal: true

module AskFirst
  module Core
    module Signoff
      # What one person said of one adaptation. given_by: whose hand it was. `eligible` and `author` were judged when it
      # was given. fingerprint: the content that they looked at; stood: the content that stood when they said it (nil
      # where it was not rendered, or not kept yet).
      # A yes that is not eligible fills no place: it was given on a line that had ended, and only lifts its giver's
      # own block.
      Answer =
        Struct.new(
          :step_id,
          :person_id,
          :given_by,
          :verdict,
          :fingerprint,
          :stood,
          :time,
          :eligible,
          :author,
          :order,
          :words,
          :at,
          keyword_init: true
        ) do
          def yes? = verdict == "yes"
          # Given by somebody else in that person's name.
          def in_name? = !given_by.nil? && given_by != person_id
        end
    end
  end
end
