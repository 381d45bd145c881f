# frozen_string_literal: true

require "pg"
require "sequel"

module AskFirst
  module Store
    # What the database raises, by the meaning that it has for an act. Acts name these, and never the library.
    module Failures
      # Another row has the value that must be there once.
      Taken = Sequel::UniqueConstraintViolation
      # Another row points to the one that was to go.
      StillUsed = Sequel::ForeignKeyConstraintViolation
      # Two transactions waited for each other, or saw what the other changed: this one was ended and may be done again.
      Clash = Sequel::SerializationFailure
      # The database cannot be reached.
      AWAY = [Sequel::DatabaseDisconnectError, Sequel::DatabaseConnectionError].freeze
      # The same, or every connection of the pool was in use for too long.
      BUSY = [Sequel::PoolTimeout, *AWAY].freeze
      # Any of them, and whatever else the database refuses.
      ANY = [Sequel::Error, PG::Error].freeze
    end
  end
end
