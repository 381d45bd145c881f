# frozen_string_literal: true

module AskFirst
  module App
    module Checks
      # The lead's reminder list: what should be looked at in every post of this client. What was ticked before stays
      # ticked.
      class UpdateReminders < Act
        opens :client, "save_reminders", locks: :client # two who save at once make one list

        MOST = 20
        LIMIT = 200

        # @param words [Array<String>] in their order
        # @return [Array<Hash>] the list as it stands
        def call(words:)
          wanted = clean(words)
          standing = rows(:reminders).where(dropped_at: nil).to_hash(:words)
          rows(:reminders).where(id: standing.except(*wanted).values.map { |row| row[:id] }).update(dropped_at: now)
          wanted.each_with_index { |one, index| keep_one(standing[one], one, index) }
          record("reminders_saved", facts: { before: standing.keys, after: wanted })
          announce("posts")
          Store::Checks::Reminders.standing(scope)
        end

        private

        def clean(words)
          if words.size > MOST
            raise Core::TooMany.new(
                    "At most #{MOST} reminders are read by anybody.",
                    field: "words",
                    way_on: "Take some away."
                  )
          end

          words.map { |one| Core::Posts::Text.clean(one, field: "words", limit: LIMIT).strip }.reject(&:empty?).uniq
        end

        def keep_one(row, words, index)
          return rows(:reminders).where(id: row[:id]).update(position: index) if row

          scope.insert(
            :reminders,
            { id: new_id, words: words, position: index, made_by: member.person_id, made_at: now }
          )
        end
      end
    end
  end
end
