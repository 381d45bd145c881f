# frozen_string_literal: true

module AskFirst
  module App
    module Checks
      # The lead's reminder list: what should be looked at in every post of this client. What was ticked before stays ticked.
      class SaveReminders < Act
        MOST = 20
        LIMIT = 200

        # @param words [Array<String>] in their order
        # @return [Array<Hash>] the list as it stands
        def call(words:)
          require_ability!("assign")
          wanted = clean(words)
          write do
            Store::Gates.for_workspace(scope) # two who save at once make one list
            standing = rows(:reminders).where(dropped_at: nil).to_hash(:words)
            rows(:reminders).where(id: standing.except(*wanted).values.map { |row| row[:id] }).update(dropped_at: now)
            wanted.each_with_index { |one, index| keep(standing[one], one, index) }
            record("reminders_saved", facts: { before: standing.keys, after: wanted })
            announce("posts", ids: [])
            Store::Checks::Reminders.standing(scope)
          end
        end

        private

        def clean(words)
          raise Core::Invalid.new("too_many", "At most #{MOST} reminders are read by anybody.", field: "words", way_on: "Take some away.") if words.size > MOST

          words.map { |one| Core::Posts::Text.clean(one, field: "words", limit: LIMIT).strip }.reject(&:empty?).uniq
        end

        def keep(row, words, index)
          return rows(:reminders).where(id: row[:id]).update(position: index) if row

          scope.insert(:reminders, { id: new_id, words: words, position: index, made_by: member.person_id, made_at: now })
        end
      end
    end
  end
end
