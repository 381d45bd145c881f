# frozen_string_literal: true

module AskFirst
  module App
    module Signoff
      # What a client's person was asked, newest first: all that they ever see here, each by its own link. For an
      # owner who looks as them.
      class AsksOf < Act
        inside # an owner looks, who was let in by look_as

        MOST = 50

        # The client's person as a guest of one of their asks, only to be looked at.
        # @param row [Hash] of Store::People::Members, whom the owner looks as
        # @return [Member]
        def self.guest(environment, row, ask_id)
          guest = Member.from_row(row, pass: { id: nil, ask_id: ask_id }, looking: true)
          asked =
            Core::Uuid::FORMAT.match?(ask_id.to_s) &&
              guest
                .scope(environment.db)
                .then do |scope|
                  scope.transaction { scope.rows(:ask_people).where(ask_id: ask_id, person_id: row[:person_id]).any? }
                end
          raise Core::NotFound, "This ask" unless asked

          guest
        end

        # @return [Array<Hash>] JSON-ready
        def call
          Store::Signoff::Asks.of_person(scope, member.person_id, MOST).map { |row| json(row) }
        end

        private

        def json(row)
          {
            id: row[:id],
            asked_by: names[row[:asked_by]],
            asked_at: row[:asked_at].iso8601,
            due_at: row[:due_at].iso8601,
            posts: row[:count],
            message: row[:message],
            withdrawn: !row[:withdrawn_at].nil?
          }
        end
      end
    end
  end
end
