# frozen_string_literal: true

module AskFirst
  module App
    module Record
      # Gives the rows of a client's record their places in its tree, and notes the new top.
      class Seal < Act
        of_process

        # Of every client that has rows without a place.
        # @param environment [Environment] of our own process
        def self.all(environment)
          environment.db[:workspaces]
            .where(deleted_at: nil)
            .select_map(:id)
            .each { |id| call(environment, Member.process(id, "record")) }
        end

        # @return [Integer] how many rows got their place
        def call
          # one at a time; whoever comes second finds nothing left to do
          Store::Locks.for_seal(scope)
          tree = Store::Record::Tree.new(scope)
          top = tree.top
          rows = tree.without_place(top)
          tree.grow(top, rows, now) if rows.any?
          rows.size
        end
      end
    end
  end
end
