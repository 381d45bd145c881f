# frozen_string_literal: true

module AskFirst
  module Edge
    module Networks
      # Gives the client for a channel, with its token opened.
      class Directory
        # @param secrets [Secrets]
        def initialize(secrets)
          @secrets = secrets
        end

        # @param channel [Hash] row
        def client_for(channel)
          Micropub.new(channel[:micropub], @secrets.open(channel[:token]))
        end
      end
    end
  end
end
