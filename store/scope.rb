# frozen_string_literal: true

module AskFirst
  module Store
    # The one way to a client's rows: everything is read and written for these workspaces, as this person. The
    # database is told the same for each transaction, and its policies hold even when a query forgets.
    class Scope
      attr_reader :db, :workspace_ids, :person_id, :side, :limits

      # @param limits [Hash{String=>Array<String>}, nil] workspace id => channel ids, for memberships that are limited
      # @param secret [String, nil] digest (bytes) of a link's secret; finds its one row and nothing else
      def initialize(db, workspace_ids:, person_id:, side:, limits: nil, secret: nil)
        @db = db
        @workspace_ids = Array(workspace_ids)
        @person_id = person_id
        @side = side
        @limits = limits || {}
        @secret = secret
      end

      # Knows a person and no workspace yet: sees that person's memberships and their workspaces.
      def self.of_person(db, person_id)
        new(db, workspace_ids: [], person_id: person_id, side: "")
      end

      # Knows a link's secret: sees the row that it belongs to.
      def self.of_secret(db, digest)
        new(db, workspace_ids: [], person_id: nil, side: "", secret: digest)
      end

      # The same without the channel limits: for what an act must not miss, though whoever does it sees only a part.
      # Nothing that is read so is shown.
      def whole
        if limits.empty?
          self
        else
          Scope.new(db, workspace_ids: workspace_ids, person_id: person_id, side: side, secret: @secret)
        end
      end

      # @return [Sequel::Dataset] the table's rows of these workspaces
      def rows(table)
        here = Sequel[table][:workspace_id]
        return db[table].where(Sequel.lit("? IN #{list}", here)) if workspace_ids.size > 1

        db[table].where(here => workspace_ids.one? ? workspace_ids.first : [])
      end

      # Rows of what was found over many workspaces: each by its workspace and its id, which is one look into an
      # index. Every id in every workspace would be 200 looks for each.
      # @param pairs [Array<Array(String, String)>] workspace id and the value of the column
      def rows_at(table, pairs, column: :id)
        mine = workspace_ids.to_set
        kept = pairs.select { |pair| mine.include?(pair.first) }.uniq
        there = kept.map(&:first).uniq
        if there.size == 1
          return db[table].where(Sequel[table][:workspace_id] => there.first, Sequel[table][column] => kept.map(&:last))
        end

        found =
          Sequel.function(:unnest, Database.uuids(kept.map(&:first)), Database.uuids(kept.map(&:last))).as(
            :found,
            %i[workspace_id value]
          )
        db[table]
          .join(found, workspace_id: Sequel[table][:workspace_id], value: Sequel[table][column])
          .select_all(table)
          .from_self(alias: table)
      end

      # The first rows of each workspace by an index that the workspace leads, then the first of them all. Over many
      # workspaces this reads a few rows of each instead of sorting all.
      # @param order [Array] Sequel order expressions
      # @yieldparam one [Sequel::Dataset] the table's rows of one workspace, to be narrowed
      def first_of_each(table, order, limit, &narrow)
        narrow ||= :itself.to_proc
        return narrow.call(rows(table)).order(*order).limit(limit) if workspace_ids.size <= 1

        one = narrow.call(db[table].where(Sequel[table][:workspace_id] => Sequel[:w][:id])).order(*order).limit(limit)
        db
          .from(Sequel.function(:unnest, Database.uuids(workspace_ids)).as(:w, [:id]))
          .cross_join(one.lateral.as(table))
          .select_all(table)
          .order(*order)
          .limit(limit)
      end

      # Inserts rows into the one workspace of this scope.
      def insert(table, *values)
        return if values.empty?

        db[table].multi_insert(values.map { |row| row.merge(workspace_id: workspace_id) })
      end

      # @return [Boolean] false when a row with this key is there already
      def insert_new(table, row)
        db[table].insert_conflict.returning(:id).insert(row.merge(workspace_id: workspace_id)).any?
      end

      def workspace_id
        raise ArgumentError, "a write needs exactly one workspace" unless workspace_ids.size == 1

        workspace_ids.first
      end

      # @return [String] what the database is told
      def claim
        [side, person_id, workspace_ids.join(","), @secret&.unpack1("H*")].join(":")
      end

      # The workspaces as SQL, written once: a page asks twenty times, and 200 of them are long.
      def list
        @list ||= "(#{workspace_ids.map { |id| db.literal(id) }.join(", ")})"
      end
      private :list

      # One transaction with the scope set for it. Inside another one it takes over for the length of the block.
      def transaction(**options, &block)
        return within(&block) if db.in_transaction?

        db.transaction(**options) { within(&block) }
      end

      # For our own processes, where they do what a person asked for: within the block the database lets them do and see
      # what it lets that person's pages, and no more.
      def as_person(&block)
        transaction do
          role("ask_first_web")
          block.call
        ensure
          role("NONE") if alive?
        end
      end

      # The same for an act in several transactions, between which it waits: on one connection.
      def as_person_in_steps
        db.synchronize do
          db.run("SET ROLE ask_first_web")
          yield
        ensure
          db.run("RESET ROLE")
        end
      end

      private

      def role(name) = db.run("SET LOCAL ROLE #{name}")

      def alive? = db.synchronize { |connection| connection.transaction_status == PG::PQTRANS_INTRANS }

      def within
        outer = told
        return yield if outer == claim

        tell(claim)
        begin
          yield
        ensure
          give_back(outer)
        end
      end

      # After an error of the database the whole transaction goes, and with it what was told.
      def give_back(outer)
        outer && alive? ? tell(outer) : self.told = outer
      end

      def tell(text)
        db.get(Sequel.function(:set_config, "ask_first.scope", text, true))
        self.told = text
      end

      # What the transaction under way was told: by connection, since a transaction is one.
      def told
        db.in_transaction? ? db.synchronize { |connection| connection.instance_variable_get(:@ask_first_scope) } : nil
      end

      def told=(text)
        db.synchronize { |connection| connection.instance_variable_set(:@ask_first_scope, text) }
      end
    end
  end
end
