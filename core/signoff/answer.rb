# frozen_string_literal: true

module AskFirst
  module Core
    module Signoff
      # What one person said of one adaptation. `eligible` and `author` were judged when it was given.
      Answer = Struct.new(:step_id, :person_id, :verdict, :fingerprint, :time, :eligible, :author, :order, :words, :at, keyword_init: true)
    end
  end
end
