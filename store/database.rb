# frozen_string_literal: true

require "sequel"
require "json"

module AskFirst
  module Store
    # Connections. JSON columns read as plain Ruby values, times as UTC, arrays as arrays.
    module Database
      JSON_OIDS = [114, 3802].freeze

      module_function

      # @param url [String] with the role that the process works under
      # @param pool [Integer] connections at most
      # @param idle [Numeric, nil] seconds after which the server ends a transaction in which nothing happens: a
      # process that was
      #   frozen in the middle of one must not hold its locks for all others
      def connect(url, pool: 12, idle: nil)
        Sequel.default_timezone = :utc
        told = idle ? ["SET idle_in_transaction_session_timeout = #{Integer(idle * 1_000)}"] : []
        db = Sequel.connect(url, max_connections: pool, pool_timeout: 10, keep_reference: false, connect_sqls: told)
        db.extension(:pg_array, :connection_validator)
        db.pool.connection_validation_timeout = 30
        JSON_OIDS.each { |oid| db.add_conversion_proc(oid) { |text| JSON.parse(text) } }
        db
      end

      # A statement that each connection prepares once: PostgreSQL then keeps its plan, and Sequel its text.
      # @param how [Symbol] as Sequel's `prepare` takes it
      # @yieldreturn [Sequel::Dataset] where the statement is not known yet
      def prepared(db, name, how = :select)
        db.prepared_statement(name) || yield.prepare(how, name)
      end

      # @return [String] "well", once the database has answered
      def well(db) = db.get(Sequel.lit("'well'"))

      # @return a value for a jsonb column
      def jsonb(value)
        Sequel.cast(JSON.generate(value), :jsonb)
      end

      def uuids(list)
        Sequel.pg_array(list.to_a, :uuid)
      end

      def texts(list)
        Sequel.pg_array(list.to_a, :text)
      end

      # @return a value for a bytea column
      def blob(bytes)
        Sequel.blob(bytes)
      end

      # What a jsonb column says, with more keys.
      def with(column, more)
        Sequel.lit("? || ?", column, jsonb(more))
      end

      # What a column says and one more, such as a version.
      def one_more(column) = more(column, 1)

      def more(column, number)
        Sequel[column] + number
      end

      # @return a value for a column with an array of small whole numbers
      def small_numbers(list)
        Sequel.pg_array(list, :smallint)
      end

      # A condition: the column has a value.
      def present(column)
        Sequel.~(column => nil)
      end
    end
  end
end
