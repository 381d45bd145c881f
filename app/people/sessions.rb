# frozen_string_literal: true

require "digest"

module AskFirst
  module App
    module People
      # Where a person is signed in, and signing out there.
      class Sessions < AgencyAct
        # @param here [String, nil] the key of the session that asks
        # @param end_id [String, nil] a session to end
        # @return [Array<Hash>] JSON-ready
        def call(here: nil, end_id: nil)
          list = db[:account_active_session_keys].where(account_id: person.person_id)
          if end_id
            found = list.all.find { |row| self.class.id(row) == end_id } or raise Core::NotFound, "This session"
            list.where(session_id: found[:session_id]).delete
          end
          list
            .reverse(:last_use)
            .map do |row|
              {
                id: self.class.id(row),
                device: row[:device],
                from: row[:from_address],
                since: row[:created_at].iso8601,
                last_use: row[:last_use].iso8601,
                here: row[:session_id] == here
              }
            end
        end

        # What lies in the table opens nothing by itself; still only a digest of it goes out.
        def self.id(row)
          Digest::SHA256.hexdigest(row[:session_id])[0, 24]
        end
      end
    end
  end
end
