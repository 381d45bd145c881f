# frozen_string_literal: true

require "tsort"

module AskFirst
  module Store
    # The tables of a client: those with a `workspace_id`. A migration that makes one calls `add`, which puts the wall
    # around it and has the purge of a client know it; both are read from the catalogue, so that none can be forgotten.
    module ClientTable
      # A table after those that point at it: the order in which a client's rows can go.
      class Order
        include TSort

        def initialize(tables, pointing)
          @tables = tables
          @pointing = pointing
        end

        def tsort_each_node(&block) = @tables.each(&block)
        def tsort_each_child(table, &block) = @pointing.fetch(table, []).each(&block)
      end

      POINTING = <<~SQL
        SELECT confrelid::regclass::text AS table, string_agg(DISTINCT conrelid::regclass::text, ',') AS by
        FROM pg_constraint WHERE contype = 'f' AND conrelid <> confrelid GROUP BY confrelid
      SQL
      private_constant :Order, :POINTING

      module_function

      # @param db [Sequel::Database] of the running migration, as the owner
      # @param names [Array<Symbol>] tables that it made
      def add(db, *names)
        names.each { |name| wall(db, name) }
        know(db)
      end

      # @return [Array<String>] every table of a client, those that are pointed at last
      def in_order(db)
        tables =
          db[Sequel[:information_schema][:columns]].where(
            table_schema: "public",
            column_name: "workspace_id"
          ).select_order_map(:table_name)
        pointing = db.fetch(POINTING).to_h { |row| [row[:table], row[:by].split(",") & tables] }
        Order.new(tables, pointing).tsort
      end

      # Rows are seen within the scope alone (see Scope), by our own processes all of them.
      def wall(db, name)
        db.run <<~SQL
          ALTER TABLE #{name} ENABLE ROW LEVEL SECURITY;
          CREATE POLICY web_scope ON #{name} TO ask_first_web
            USING (workspace_id IN (SELECT unnest(app_workspaces())))
            WITH CHECK (workspace_id IN (SELECT unnest(app_workspaces())));
          CREATE POLICY jobs_all ON #{name} TO ask_first_jobs USING (true) WITH CHECK (true);
        SQL
      end

      # The tables that the purge of a client empties.
      def know(db)
        list = in_order(db).map { |table| db.literal(table) }.join(", ")
        db.run <<~SQL
          CREATE OR REPLACE FUNCTION app_client_tables() RETURNS text[] LANGUAGE sql IMMUTABLE AS $$
            SELECT ARRAY[#{list}]::text[]
          $$;
        SQL
      end
    end
  end
end
