# frozen_string_literal: true

require "message_bus"
require "pg"
require "semantic_logger"

module AskFirst
  module Edge
    # Tells open pages that something changed: only what and where, never the content. Pages of the agency side listen;
    # they fetch what they show through the same checks as always.
    class LiveBus
      # @param url [String] PostgreSQL address that the bus keeps its messages in
      def self.connect(url)
        uri = URI.parse(url)
        bus = MessageBus::Instance.new
        bus.configure(
          backend: :postgres,
          backend_options: {
            host: uri.host,
            port: uri.port,
            dbname: uri.path[1..],
            user: uri.user,
            password: uri.password
          }
        )
        bus.configure(long_polling_interval: 25_000)
        new(bus)
      end

      # Who is told stands in the message, and PostgreSQL takes 8,000 bytes of one: so many ids of people at most in
      # each.
      PEOPLE = 100

      attr_reader :bus

      def initialize(bus)
        @bus = bus
      end

      # A page that misses a message fetches again when it comes to the front: that it could not be told never undoes
      # what was done.
      # @param to [Array<String>] person ids
      def publish(workspace_id, message, to:)
        to.each_slice(PEOPLE) do |some|
          bus.publish("/workspaces/#{workspace_id}", message, user_ids: some, max_backlog_age: 3_600)
        end
      rescue StandardError => e
        SemanticLogger["LiveBus"].warn("could not tell open pages", e)
      end

      # Where the talk of clients stands: a page that begins to hear from there misses nothing of what comes while it is
      # being fetched.
      # @return [Hash{String=>Integer}] workspace => its last message; empty where the bus is away
      def last(workspace_ids)
        channels = workspace_ids.to_h { |id| ["/workspaces/#{id}", id] }
        channels.empty? ? {} : bus.last_ids(*channels.keys).transform_keys(channels)
      rescue StandardError => e
        SemanticLogger["LiveBus"].warn("could not say where the talk stands", e)
        {}
      end

      def stop
        bus.destroy
      end
    end
  end
end
