# frozen_string_literal: true

require "securerandom"

module AskFirst
  module Store
    module Clients
      # A client whose days of grace are over goes, with every row: a function of the database, which looks itself.
      module Purged
        module_function

        # @return [String, nil] the client's name; nil when it was restored meanwhile, or its days are not over
        def call(db, workspace_id, now)
          salt = Sequel.blob(SecureRandom.random_bytes(16))
          db.get(
            Sequel.function(
              :app_purge_client,
              Sequel.cast(workspace_id, :uuid),
              now,
              Sequel.cast(Core::Uuid.v7(now), :uuid),
              Sequel.cast(salt, :bytea)
            )
          )
        end
      end
    end
  end
end
