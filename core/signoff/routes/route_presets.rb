# frozen_string_literal: true

module AskFirst
  module Core
    module Signoff
      # Routes to begin with. Common practice, no source.
      module RoutePresets
        ALL = {
          "colleague_client" => [
            "A colleague reads, the client says yes",
            [["Read by a colleague", "internal"], ["The client's yes", "client"]]
          ],
          "client" => ["The client says yes", [["The client's yes", "client"]]],
          "copy_lead_client" => [
            "Copy, lead, then the client",
            [["Copy is right", "internal"], ["The lead's yes", "internal"], ["The client's yes", "client"]]
          ],
          "colleague" => ["A colleague reads; the client does not answer", [["Read by a colleague", "internal"]]],
          "none" => ["No step: whoever may release marks posts ready", []]
        }.freeze
      end
    end
  end
end
