# frozen_string_literal: true

module AskFirst
  module App
    module Partners
      # Finds a file of a partner.
      class OpenFile < FileAct
        reads :partner_file, "see_partners"
      end
    end
  end
end
