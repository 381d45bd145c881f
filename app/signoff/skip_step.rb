# frozen_string_literal: true

module AskFirst
  module App
    module Signoff
      # Skips a step for exactly what stands now, on record, by someone with `govern`.
      class SkipStep < Act
        stepwise

        def call(post_id:, step_id:, reason:)
          require_ability!("rule")
          why = Core::Posts::Text.clean(reason, field: "reason", limit: 1_000).strip
          raise Core::Invalid.new("words_needed", "A skip needs its reason.", field: "reason", way_on: "Say why; it stays on record.") if why.empty?

          Media::Render.call(kit, member, post_ids: [post_id])
          write do
            post = locked([post_id]).fetch(post_id)
            step = post.steps.find { |one| one.id == step_id } or raise Core::NotFound, "This step"
            waiting = post.adaptations.select { |adaptation| adaptation.verdict.waits_at&.id == step_id && adaptation.fingerprint }
            raise Core::Conflict.new("nothing_to_skip", "Nothing waits at “#{step.name}” now.") if waiting.empty?

            Posts::KeepRevision.call(kit, member, post: post)
            scope.insert(:rulings, *waiting.map do |adaptation|
              { id: new_id, kind: "skip", step_id: step_id, post_id: post_id, adaptation_id: adaptation.id, fingerprint: adaptation.fingerprint,
                reason: why, room: "house", ruled_by: member.person_id, ruled_at: now }
            end)
            EndLines.call(kit, member, adaptation_ids: waiting.map(&:id), as: "withdrawn")
            record("step_skipped", post_id: post_id, facts: { step: step.name, reason: why })
            restage([post_id])
          end
        end
      end
    end
  end
end
