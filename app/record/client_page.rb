# frozen_string_literal: true

module AskFirst
  module App
    module Record
      # A page of one client's record, for whoever reads there.
      class ClientPage < Act
        reads :client, "see_record"

        # @param filters [Hash] as of ClientRecord
        # @return [Hash] JSON-ready
        def call(**filters)
          ClientRecord.call(environment, scope, **filters)
        end
      end
    end
  end
end
