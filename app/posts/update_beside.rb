# frozen_string_literal: true

module AskFirst
  module App
    module Posts
      # What stands beside the parts of a post, in a column with a version of its own. Immaterial: it voids nothing.
      class UpdateBeside < Act
        private

        # @param column [Symbol] of posts
        # @param clean [String] what it is to say
        # @param seen [Integer] the version that the writer saw
        # @param as [String] the act of the record
        # @param called [String] the column in words
        # @return [Integer] the new version
        def put(column, clean, seen, as:, called:)
          version = :"#{column}_version"
          return row[version] if row[column] == clean
          raise changed(column, called, row[version]) if row[version] != seen

          rows(:posts).where(id: row[:id]).update(column => clean, version => seen + 1)
          record(as, post_id: row[:id], facts: { before: row[column], after: clean })
          announce("posts", ids: [row[:id]])
          seen + 1
        end

        def changed(column, called, version)
          Core::Changed.new("part_changed", called, field: column.to_s, theirs: row[column], version: version)
        end
      end
    end
  end
end
