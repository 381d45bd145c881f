# frozen_string_literal: true

module AskFirst
  module Core
    module Signoff
      # A hold that covers this adaptation.
      Hold = Struct.new(:until, keyword_init: true)
    end
  end
end
