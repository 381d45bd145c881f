# frozen_string_literal: true

module AskFirst
  module Edge
    module Networks
      # Gives the client for a channel, with its token opened.
      class Directory
        # @param secrets [Secrets]
        # @param timeout [Numeric] seconds
        def initialize(secrets, timeout: Micropub::TIMEOUT)
          @secrets = secrets
          @timeout = timeout
        end

        # @param channel [Hash] row with :micropub and :token (encrypted)
        def client_for(channel)
          Micropub.new(channel[:micropub], @secrets.open(channel[:token]), timeout: @timeout)
        end

        # The same for a token that nobody has kept yet.
        def client_with(micropub, token)
          Micropub.new(micropub, token, timeout: @timeout)
        end
      end
    end
  end
end
