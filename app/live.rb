# frozen_string_literal: true

module AskFirst
  module App
    # Tells the open pages of those who may see it that something changed: what and where, never the content. Whoever
    # may see it is known by the act that tells it, so somebody who left hears nothing more.
    module Live
      # Posts that a message names, so that it stays short (PostgreSQL takes 8,000 bytes); beyond that it says "fetch
      # again".
      MOST = 50

      module_function

      # @param message [Hash] {what:, ids: (of posts; empty for something of the whole client, or for many), …}
      # @param subscribers [Store::People::Subscribers::People]
      def announce(environment, workspace_id, message, subscribers)
        return if message[:ids].size == 1 && subscribers.nobody?

        message = message.merge(ids: []) if message[:ids].size > MOST
        # of several posts somebody who is limited to channels may see some: which, their page asks for itself
        fewer = message[:ids].size > 1 ? message.merge(ids: []) : message
        tell(environment, workspace_id, message, subscribers.everything)
        tell(environment, workspace_id, fewer, subscribers.some)
      end

      # @param to [Array<String>] person ids
      def tell(environment, workspace_id, message, to)
        environment.db.after_commit { environment.bus.publish(workspace_id, message, to: to) } if to.any?
      end
    end
  end
end
