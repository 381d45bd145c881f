# frozen_string_literal: true

module AskFirst
  module App
    module Plan
      # What a paper of the plan holds beside its lines: whose it is, in which zone, and pictures.
      module Paper
        module_function

        # @param scope [Store::Scope] of the agency side
        # @param lines [Array<Hash>] of Period or List
        # @return [Hash] clients: {id => name}, zone:, now:, pictures: {post => bytes of a JPEG}
        def facts(environment, scope, lines)
          clients, reader =
            scope.transaction { [Store::Plan::Days.clients(scope), Store::Plan::Days.reader_zone(scope)] }
          {
            clients: clients.to_h { |client| client.values_at(:id, :name) },
            zone: clients.one? ? clients.first[:zone] : reader,
            now: environment.now,
            pictures: Pictures.call(environment, scope, lines.map { |line| line[:post_id] }.uniq)
          }
        end
      end
    end
  end
end
