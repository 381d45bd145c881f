# frozen_string_literal: true

module AskFirst
  module App
    module Signoff
      # What somebody with `skip_steps` decides beside the answers, for exactly what stands now, with a reason that
      # stays on record. Subclasses say of which adaptations, and what ends with it.
      class RulingAct < Act
        stepwise
        opens :post, "rule", stand: true

        # @param reason [String]
        def call(post_id:, step_id:, reason:, **more)
          why = Reason.clean(reason, self.class::WITHOUT)
          reading { enter(lock: false, stand: false) } # nothing is cut for somebody who may not
          Media::Render.call(environment, member, post_ids: [post_id])
          write do
            enter
            step = post.steps.find { |one| one.id == step_id } or raise Core::NotFound, "This step"
            rule(step, why, **more)
            refresh_stage([post_id])
          end
        end

        private

        # Of the member's channels, those that stand at a step and can be said what they are.
        def at(step)
          mine(post.adaptations).select do |adaptation|
            adaptation.fingerprint && !adaptation.sent? && adaptation.verdict.waits_at&.id == step.id
          end
        end

        def step_state(adaptation, step) = adaptation.verdict.steps.find { |one| one.step.id == step.id }

        # What the record keeps of every ruling; what limited readers may know of it goes by the channels.
        def ruled(step, adaptations, why)
          {
            step: step.name,
            step_id: step.id,
            reason: why,
            channels: adaptations.map { |one| one.channel[:name] },
            fingerprints: adaptations.map { |one| one.fingerprint || "" }
          }
        end

        def keep_ruling(kind, step, adaptations, why, place: nil)
          Posts::CreateRevision.call(environment, member, post: post)
          said = { kind: kind, step: step, post: post, adaptations: adaptations, reason: why, place: place }
          CreateRulings.call(environment, member, **said)
        end

        # What somebody wants changed there stands until they say yes, or are asked again about something else.
        # @raise [Core::Conflict] block_stands
        def require_unblocked!(step, adaptations, done)
          block = adaptations.flat_map { |one| one.verdict.blocks_at(step.id) }.first or return
          raise Core::Conflict.new(
                  "block_stands",
                  "#{names[block.person_id]} wants a change at “#{step.name}”, so it is not #{done}.",
                  way_on: "Change it and ask again, or ask them for their own yes."
                )
        end

        # Where four eyes are wanted, nobody rules on what they wrote themselves.
        # @param also [String, nil] in whose name it would be
        # @raise [Core::Refused] four_eyes
        def require_other_hand!(step, adaptations, done, also: nil)
          authors = adaptations.flat_map(&:authors).uniq
          return unless Core::Signoff::FourEyes.bars?(step, authors, [member.person_id, also])

          raise Core::Signoff::FourEyes.refusal(done, Core::Signoff::FourEyes.who_can(authors, colleagues))
        end

        # Lines of which nothing is open any more.
        def end_answered(step, adaptations)
          after = post_states([post.id]).fetch(post.id)
          done = adaptations.select { |one| step_state(after.adaptation(one.id), step)&.satisfied? }
          lines = done.flat_map { |one| open_lines(one, step) }
          EndLines.call(environment, member, adaptation_ids: done.map(&:id), as: "answered", pairs: lines)
        end

        def open_lines(adaptation, step)
          post
            .asked_about(adaptation.id)
            .select { |row| row[:ended_as].nil? && row[:step_id] == step.id }
            .map { |row| row.values_at(:line_id, :adaptation_id) }
        end

        def nothing_here(step, done)
          Core::Conflict.new(
            "nothing_to_rule",
            "Nothing waits at “#{step.name}” now that could be #{done}.",
            way_on: "Look at where it stands."
          )
        end
      end
    end
  end
end
