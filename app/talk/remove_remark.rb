# frozen_string_literal: true

module AskFirst
  module App
    module Talk
      # Takes one's own words away, for a while and as long as nobody has answered them. That something stood there is
      # seen, and what it was stays on record.
      class RemoveRemark < Act
        opens :own_remark, nil

        def call(remark_id:)
          rows(:remarks).where(id: remark_id).update(deleted_at: now)
          record("remark_deleted", post_id: row[:post_id], facts: { room: row[:room], before: row[:words] })
          announce("talk", ids: [row[:post_id]], room: row[:room])
        end
      end
    end
  end
end
