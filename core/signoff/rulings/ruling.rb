# frozen_string_literal: true

module AskFirst
  module Core
    module Signoff
      # A skip or drop of a step, a strike or fill of a place, on some content; or the block of somebody who has left,
      # set aside: whatever they had said there before. place_person_id: whose place, or whose block
      Ruling = Struct.new(:kind, :step_id, :place_person_id, :fingerprint, :ruled_by, :order, keyword_init: true)
    end
  end
end
