# frozen_string_literal: true

module AskFirst
  module App
    module Signoff
      # Skips a step for exactly what stands now, on record, by someone with `govern`.
      class SkipStep < Act
        stepwise
        opens :post, "rule", stand: true

        def call(post_id:, step_id:, reason:)
          why = Core::Posts::Text.clean(reason, field: "reason", limit: 1_000).strip
          if why.empty?
            raise Core::Invalid.new(
                    "words_needed",
                    "A skip needs its reason.",
                    field: "reason",
                    way_on: "Say why; it stays on record."
                  )
          end

          reading { enter(gate: false, stand: false) } # nothing is cut for somebody who may not skip
          Media::Render.call(kit, member, post_ids: [post_id])
          write do
            enter
            step = post.steps.find { |one| one.id == step_id } or raise Core::NotFound, "This step"
            waiting =
              mine(post.adaptations).select do |adaptation|
                adaptation.verdict.waits_at&.id == step_id && adaptation.fingerprint
              end
            if waiting.empty?
              raise Core::Conflict.new(
                      "nothing_to_skip",
                      "Nothing waits at “#{step.name}” now.",
                      way_on: "Look at where it stands."
                    )
            end

            Posts::KeepRevision.call(kit, member, post: post)
            scope.insert(
              :rulings,
              *waiting.map do |adaptation|
                {
                  id: new_id,
                  kind: "skip",
                  step_id: step_id,
                  post_id: post_id,
                  adaptation_id: adaptation.id,
                  fingerprint: adaptation.fingerprint,
                  reason: why,
                  room: "house",
                  ruled_by: member.person_id,
                  ruled_at: now
                }
              end
            )
            EndLines.call(kit, member, adaptation_ids: waiting.map(&:id), as: "withdrawn")
            record("step_skipped", post_id: post_id, facts: { step: step.name, reason: why })
            restage([post_id])
          end
        end
      end
    end
  end
end
