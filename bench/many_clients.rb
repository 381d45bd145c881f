# frozen_string_literal: true

module Bench
  # Multiplies one client with everything that hangs on it, by SQL alone: whatever id is the client's own is derived
  # from the old one and a number, so that every reference still fits; people, roles and the agency stay the same.
  class ManyClients
    SHARED = %w[people roles agencies].freeze
    # their secrets are unique
    LEFT_OUT = %w[guest_passes guest_visits invitations invitation_channels connect_tries].freeze

    def initialize(cluster, world)
      @owner = world.owner
      name = @owner.get(Sequel.lit("current_database()"))
      # as the cluster's superuser: checks and triggers are off while rows are copied that hold each other
      @db = Sequel.connect(cluster.url(name, "postgres"))
    end

    # @param from [Integer] number of the first copy: they are told apart by it
    def multiply(workspace_id, count, from: 1)
      @numbers = [from, from + count - 1]
      @db.transaction do
        @db.run("SET LOCAL session_replication_role = replica")
        copy("workspaces", { id: workspace_id })
        (tables - LEFT_OUT).each { |table| copy(table, { workspace_id: workspace_id }) }
      end
      @db.run("ANALYZE")
    ensure
      @db.disconnect
    end

    private

    def tables
      columns.where(column_name: "workspace_id").select_order_map(:table_name)
    end

    def columns
      @db[Sequel[:information_schema][:columns]].where(table_schema: "public")
    end

    def copy(table, which)
      names =
        columns.where(table_name: table, is_identity: "NO", is_generated: "NEVER").select_map(%i[column_name data_type])
      shared = shared_columns(table)
      derived =
        names.map do |name, type|
          own = type == "uuid" && !shared.include?(name)
          own ? Sequel.lit("md5(t.#{name}::text || many.k)::uuid") : Sequel[:t][name.to_sym]
        end
      source =
        @db[table.to_sym]
          .where(which)
          .from_self(alias: :t)
          .cross_join(Sequel.function(:generate_series, *@numbers).as(:many, [:k]))
          .select(*derived)
      @db[table.to_sym].insert(names.map { |name, _| name.to_sym }, source)
    end

    # Columns that point at what all clients share.
    def shared_columns(table)
      @db[<<~SQL, table, Sequel.pg_array(SHARED, :text)].select_map(:attname)
        SELECT a.attname FROM pg_constraint c JOIN pg_attribute a ON a.attrelid = c.conrelid AND a.attnum = ANY(c.conkey)
        WHERE c.contype = 'f' AND c.conrelid = ?::regclass AND c.confrelid::regclass::text = ANY(?) AND a.attname <> 'workspace_id'
      SQL
    end
  end
end
