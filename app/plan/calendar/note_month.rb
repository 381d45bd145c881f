# frozen_string_literal: true

module AskFirst
  module App
    module Plan
      # Writes the note of a month: what the house must remember while it plans it. Compare and set, so that of two who
      # write at once nobody's words are lost.
      class NoteMonth < Act
        opens :client, "plan_dates"

        LIMIT = Core::Lengths::WORDS

        # @param month [String] such as 2026-10
        # @param version [Integer] that the writer saw; 0 where there was none
        # @return [Integer] the new version
        # @raise [Core::Conflict] part_changed, with what stands there
        def call(month:, note:, version:)
          first = Core::Plan::Iso.month(month, now, field: "month")
          clean = Core::Posts::Text.clean(note, field: "note", limit: LIMIT).strip
          there = Store::Plan::MonthNotes.of(scope, first)
          return there[:version] if there[:note] == clean
          raise changed(first) unless kept(first, clean, version)

          record("month_noted", facts: { month: month, before: there[:note], after: clean })
          announce("plan", ids: [])
          version + 1
        end

        private

        # @return [Boolean] whether the version was still the one that the writer saw
        def kept(month, note, version)
          set = { note: note, version: version + 1, written_by: member.person_id, written_at: now }
          return rows(:month_notes).where(month: month, version: version).update(set) == 1 if version.positive?

          row = { workspace_id: member.workspace_id, month: month, **set }
          !scope.db[:month_notes].insert_conflict.returning(:version).insert(row).empty?
        end

        def changed(month)
          there = Store::Plan::MonthNotes.of(scope, month)
          Core::Changed.new("part_changed", "the note", field: "note", theirs: there[:note], version: there[:version])
        end
      end
    end
  end
end
