# frozen_string_literal: true

require "message_bus"

module AskFirst
  module Edge
    # Tells open pages that something changed: only what and where, never the content. Pages of the agency side listen;
    # they fetch what they show through the same checks as always.
    class LiveBus
      # @param url [String] PostgreSQL address that the bus keeps its messages in
      def self.connect(url)
        uri = URI.parse(url)
        bus = MessageBus::Instance.new
        bus.configure(backend: :postgres,
          backend_options: { host: uri.host, port: uri.port, dbname: uri.path[1..], user: uri.user, password: uri.password })
        bus.configure(long_polling_interval: 25_000)
        new(bus)
      end

      attr_reader :bus

      def initialize(bus)
        @bus = bus
      end

      def publish(workspace_id, message)
        bus.publish("/workspaces/#{workspace_id}", message, group_ids: ["#{workspace_id}:agency"], max_backlog_age: 3_600)
      end

      def stop
        bus.destroy
      end
    end
  end
end
