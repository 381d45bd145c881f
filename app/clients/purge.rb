# frozen_string_literal: true

module AskFirst
  module App
    module Clients
      # Removes a client at the end of its grace, with everything that hangs on it. The rows go as the database's
      # owner, in one function that checks the days itself; a line stays in the agency's own record.
      module Purge
        module_function

        # @return [String, nil] the client's name; nil when it was restored meanwhile, or its days are not over
        def call(environment, workspace_id)
          name = Store::Clients::Purged.call(environment.db, workspace_id, environment.now)
          environment.files.remove_all("#{workspace_id}/") if name
          name
        end
      end
    end
  end
end
