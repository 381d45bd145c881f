# frozen_string_literal: true

module AskFirst
  module App
    module Posts
      # With no required step in the route, someone who may release says that the post is ready as it stands.
      class MarkReady < Act
        stepwise
        opens :post, "mark_ready", stand: true

        # @param adaptations [Array<Store::Posts::PostState::Adaptation>] on the member's channels
        # @return [Core::Error, nil] why the post cannot be marked ready, for this act and for the page that offers it
        def self.refusal(post, adaptations)
          if post.steps.any?(&:required)
            Core::Conflict.new(
              "has_steps",
              "This post has steps to pass; it cannot be marked ready.",
              way_on: "Ask for its next yes."
            )
          elsif adaptations.empty?
            Core::Conflict.new("no_channel", "It has no channel yet.", way_on: "Choose a channel.")
          elsif adaptations.all?(&:sent?)
            Core::Over.new("too_late", "It is being sent or is out.", way_on: "Look at it in Dispatch.")
          end
        end

        def call(post_id:)
          reading { enter(lock: false, stand: false) } # nothing is cut for somebody who may not
          Media::Render.call(environment, member, post_ids: [post_id])
          write do
            enter
            refusal = self.class.refusal(post, mine(post.adaptations)) and raise refusal
            mark(mine(post.adaptations).reject(&:sent?))
          end
        end

        private

        # What was opened is closed by it, as by asking again.
        def mark(adaptations)
          require_on!(adaptations)
          FixTags.call(environment, member, adaptations: adaptations)
          revision = CreateRevision.call(environment, member, post: post)
          scope.insert(
            :ready_marks,
            *adaptations.map do |adaptation|
              {
                id: new_id,
                post_id: post.id,
                adaptation_id: adaptation.id,
                fingerprint: adaptation.fingerprint,
                marked_by: member.person_id,
                marked_at: now
              }
            end
          )
          rows(:openings).where(adaptation_id: adaptations.map(&:id), closed_at: nil).update(
            closed_at: now,
            closed_by: member.person_id
          )
          record("marked_ready", post_id: post.id, revision_id: revision[:id])
          refresh_stage([post.id])
        end
      end
    end
  end
end
