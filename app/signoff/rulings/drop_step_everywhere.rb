# frozen_string_literal: true

module AskFirst
  module App
    module Signoff
      # Lets a step go that is not part of its route any more: of every post that was asked there and is not out. Inside
      # the act that changed the route.
      class DropStepEverywhere < Act
        inside

        def call(step_id:, reason:)
          asked = rows(:asks).where(step_id: step_id).select(:id)
          ids = rows(:ask_lines).where(ask_id: asked).select(:post_id)
          left = rows(:posts).where(id: ids).exclude(stage: "out").select_map(:id)
          post_states(left).each_value do |post|
            step = post.steps.find { |one| one.id == step_id }
            drop(post, step, reason) if step
          end
        end

        private

        def drop(post, step, reason)
          # where somebody wants a change there, it stays
          adaptations = post.adaptations.select { |one| one.verdict.blocks_at(step.id).empty? }
          return if adaptations.empty?

          CreateRulings.call(
            environment,
            member,
            kind: "drop",
            step: step,
            post: post,
            adaptations: adaptations,
            reason: reason
          )
          EndLines.call(environment, member, adaptation_ids: adaptations.map(&:id), as: "withdrawn", step_id: step.id)
          facts = {
            step: step.name,
            step_id: step.id,
            reason: reason,
            channels: adaptations.map { |one| one.channel[:name] },
            fingerprints: adaptations.map { |one| one.fingerprint || "" }
          }
          record("step_dropped", post_id: post.id, facts: facts)
        end
      end
    end
  end
end
