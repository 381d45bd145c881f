# frozen_string_literal: true

module AskFirst
  module App
    module Signoff
      # After what a label means was changed: where steps are wanted for labels, the posts that carry it may have to
      # pass others.
      class RefreshLabelled < Act
        inside

        # @param label_ids [Array<String>]
        def call(label_ids:)
          return if rows(:route_steps).where(retired_at: nil).exclude(condition: nil).none?

          carrying = rows(:post_labels).where(label_id: label_ids).select(:post_id)
          refresh_stage(rows(:posts).where(id: carrying, discarded_at: nil).exclude(stage: "out").select_map(:id))
        end
      end
    end
  end
end
