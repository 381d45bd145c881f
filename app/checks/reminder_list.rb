# frozen_string_literal: true

module AskFirst
  module App
    module Checks
      # The lead's reminder list as it stands, with what the reader may do.
      class ReminderList < Act
        reads :client, "see_brand"

        def call
          {
            words: reading { Store::Checks::Reminders.standing(scope) }.map { |row| row[:words] },
            can: Permissions::Capabilities.of(member, others: colleagues)
          }
        end
      end
    end
  end
end
