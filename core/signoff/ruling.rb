# frozen_string_literal: true

module AskFirst
  module Core
    module Signoff
      # A skip or drop of a step, strike or fill of a place, on some content.
      Ruling = Struct.new(:kind, :step_id, :place_person_id, :fingerprint, :ruled_by, :order, keyword_init: true)
    end
  end
end
