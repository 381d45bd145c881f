# frozen_string_literal: true

module AskFirst
  module Edge
    module Networks
      # Gives the client for a channel, with its token opened. A client is kept as long as the channel's address and
      # token are the same, so that its connection to the network stays open from one post to the next.
      class Directory
        MOST = 500 # clients that are kept; beyond it all are let go

        # @param secrets [Secrets]
        # @param timeout [Numeric] seconds
        def initialize(secrets, timeout: Micropub::TIMEOUT)
          @secrets = secrets
          @timeout = timeout
          @kept = {}
          @lock = Mutex.new
        end

        # @param channel [Hash] row with :micropub and :token (encrypted)
        def client_for(channel)
          key = channel.values_at(:micropub, :token)
          @lock.synchronize { @kept[key] } || keep(key, client_with(channel[:micropub], @secrets.open(channel[:token])))
        end

        # The same for a token that nobody has kept yet.
        def client_with(micropub, token)
          Micropub.new(micropub, token, timeout: @timeout)
        end

        private

        def keep(key, client)
          @lock.synchronize do
            @kept.clear if @kept.size >= MOST
            @kept[key] ||= client
          end
        end
      end
    end
  end
end
