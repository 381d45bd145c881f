# frozen_string_literal: true

module AskFirst
  module Store
    module People
      # People as those who sign in.
      module Accounts
        module_function

        # @return [Hash, nil] row of people
        def find(db, id) = db[:people].where(id: id).first

        # @param email [String] as it was typed
        # @return [Hash, nil] row of people who have a password
        def with_password(db, email)
          db[:people]
            .where(Sequel.function(:lower, :email) => email.strip.downcase)
            .join(:account_password_hashes, id: :id)
            .select_all(:people)
            .first
        end
      end
    end
  end
end
