# frozen_string_literal: true

module AskFirst
  module Core
    module Signoff
      # What one person said of one adaptation. `eligible` and `author` were judged when it was given. fingerprint:
      # the content that they looked at; stood: the content that stood when they said it (nil where it was not
      # rendered, or not kept yet).
      # A yes that is not eligible fills no place: it was given on a line that had ended, and only lifts its giver's
      # own block.
      Answer =
        Struct.new(
          :step_id,
          :person_id,
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
        ) { def yes? = verdict == "yes" }
    end
  end
end
