# frozen_string_literal: true

module AskFirst
  module App
    module Talk
      # Settles a thread, or opens it again.
      class SettleRemark < Act
        opens :remark, nil

        # @param settled [Boolean]
        def call(remark_id:, settled:)
          id = row[:thread_id] || remark_id
          set = settled ? { settled_at: now, settled_by: member.person_id } : { settled_at: nil, settled_by: nil }
          same = settled ? { settled_at: nil } : Store::Database.present(:settled_at)
          return if rows(:remarks).where(id: id).where(same).update(set).zero?

          words = rows(:remarks).where(id: id).get(:words)
          record(settled ? "remark_settled" : "remark_reopened", post_id: row[:post_id], facts: { words: words })
          announce("talk", ids: [row[:post_id]], room: row[:room])
        end
      end
    end
  end
end
