# frozen_string_literal: true

module AskFirst
  module App
    module Posts
      # Closes what was opened. Put back as it was, with no verdict since, its yeses count again.
      class ClosePost < Act
        opens :post, "close", stand: true

        def call(post_id:, adaptation_ids:)
          chosen = adaptation_ids.map { |id| post.adaptation(id) or raise Core::NotFound, "This channel of the post" }
          require_ability!("close", on: touching(channel_ids: chosen.map { |adaptation| adaptation.row[:channel_id] }))
          open = chosen.select { |adaptation| adaptation.facts.opened }
          rows(:openings).where(adaptation_id: open.map(&:id), closed_at: nil).update(
            closed_at: now,
            closed_by: member.person_id
          )
          open.each do |adaptation|
            record(
              "closed",
              post_id: post_id,
              adaptation_id: adaptation.id,
              facts: {
                channel: adaptation.channel[:name]
              }
            )
          end
          ids = open.map(&:id)
          keep(post.changed(openings: ->(rows) { rows.reject { |row| ids.include?(row[:adaptation_id]) } }))
        end
      end
    end
  end
end
