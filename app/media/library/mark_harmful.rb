# frozen_string_literal: true

module AskFirst
  module App
    module Media
      # Marks a medium whose reading passed a limit, so that it is not read again, and tells whoever added it. Once.
      class MarkHarmful < Act
        inside # the transaction of whoever read it

        # @param row [Hash] of the medium
        def call(row:)
          return if rows(:media).where(id: row[:id], harmful_at: nil).update(harmful_at: now).zero?

          People::Notify.call(
            environment,
            member,
            person_ids: [row[:added_by]].compact,
            kind: "material",
            words: "“#{row[:name]}” cannot be used. #{Core::Media::Harmful::SENTENCE} #{Core::Media::Harmful::WAY_ON}"
          )
        end
      end
    end
  end
end
