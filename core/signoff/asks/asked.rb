# frozen_string_literal: true

module AskFirst
  module Core
    module Signoff
      # A step that was asked, on some content and for some time, with its places. `open` while its line is.
      Asked =
        Struct.new(:step_id, :fingerprint, :time, :places, :order, :open, :people, :at, :due_at, keyword_init: true)
    end
  end
end
