# frozen_string_literal: true

module AskFirst
  module Store
    # The one way to a client's rows: everything is read and written for these workspaces, as this person. The database is
    # told the same at the start of each transaction.
    class Scope
      attr_reader :db, :workspace_ids, :person_id, :side

      def initialize(db, workspace_ids:, person_id:, side:)
        @db = db
        @workspace_ids = Array(workspace_ids)
        @person_id = person_id
        @side = side
      end

      # @return [Sequel::Dataset] the table's rows of these workspaces
      def rows(table)
        db[table].where(Sequel[table][:workspace_id] => workspace_ids.size == 1 ? workspace_ids.first : workspace_ids)
      end

      # Inserts rows into the one workspace of this scope.
      def insert(table, *values)
        return if values.empty?

        db[table].multi_insert(values.map { |row| row.merge(workspace_id: workspace_id) })
      end

      def workspace_id
        raise ArgumentError, "a write needs exactly one workspace" unless workspace_ids.size == 1

        workspace_ids.first
      end

      # One transaction with the scope set for it.
      def transaction(**options)
        return yield if db.in_transaction?

        db.transaction(**options) do
          db.get(Sequel.function(:set_config, "ask_first.scope", "#{side}:#{person_id}:#{workspace_ids.join(',')}", true))
          yield
        end
      end
    end
  end
end
