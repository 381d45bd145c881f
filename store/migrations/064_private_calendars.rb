# frozen_string_literal: true

# A feed is what ideas come from; an address under which a calendar reads the plan is a private calendar.
Sequel.migration do
  up do
    run <<~SQL
      ALTER TABLE calendar_feeds RENAME TO private_calendars;
      ALTER INDEX calendar_feeds_of_person RENAME TO private_calendars_of_person;
    SQL
    AskFirst::Store::ClientTable.know(self)
  end
end
