# frozen_string_literal: true

require "json"

module AskFirst
  module Store
    # Several sets of rows in one round trip: one prepared statement gives each set as JSON. As many small queries take
    # several times as long, most of it spent on planning and on going to and fro (docs/performance.md).
    class RowSets
      # columns that are moments; a wall time comes without a zone and is carried in a UTC value
      MOMENT = /(?:\A|_)(?:at|until)\z/

      # What a column's values are, looked at once for each name.
      Column = Struct.new(:name, :reads, keyword_init: true)
      COLUMNS = Hash.new { |known, column| known[column] = column_of(column) }

      def self.column_of(column)
        reads = ->(value) { Time.iso8601("#{value}Z") } if column == "wall"
        reads = ->(value) { Time.iso8601(value).utc } if MOMENT.match?(column)
        Column.new(name: column.to_sym, reads: reads)
      end
      private_class_method :column_of
      private_constant :Column, :COLUMNS

      # @param name [Symbol] of the prepared statement
      # @param sets [Hash{Symbol=>String}] name of a set => its SELECT, with :name for each value
      def initialize(name, sets)
        @name = name
        @sets = sets
      end

      # @param values [Hash{Symbol=>Object}] what the statements name
      # @return [Hash{Symbol=>Array<Hash>}] row sets by name, columns as symbols
      def fetch(db, **values)
        json = statement(db, values.keys).call(**values)[:rows]
        JSON.parse(json).to_h { |name, rows| [name.to_sym, (rows || []).map { |row| convert(row) }] }
      end

      private

      def statement(db, keys)
        Database.prepared(db, @name, :first) do
          pairs = @sets.map { |name, sql| "'#{name}', (SELECT json_agg(t) FROM (#{sql}) t)" }
          db.select(
            Sequel.lit("json_build_object(#{pairs.join(", ")})::text AS rows", **keys.to_h { |key| [key, :"$#{key}"] })
          )
        end
      end

      def convert(row)
        row.each_with_object({}) do |(name, value), found|
          column = COLUMNS[name]
          found[column.name] = column.reads && value.is_a?(String) ? column.reads.call(value) : value
        end
      end
    end
  end
end
