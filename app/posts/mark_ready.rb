# frozen_string_literal: true

module AskFirst
  module App
    module Posts
      # With no required step in the route, someone who may release says that the post is ready as it stands.
      class MarkReady < Act
        stepwise

        def call(post_id:)
          require_ability!("release")
          Media::Render.call(kit, member, post_ids: [post_id])
          write do
            post = locked([post_id]).fetch(post_id)
            if post.steps.any?(&:required)
              raise Core::Conflict.new("has_steps", "This post has steps to pass; it cannot be marked ready.",
                way_on: "Ask for its next yes.")
            end

            FixTags.call(kit, member, adaptations: post.adaptations)
            revision = KeepRevision.call(kit, member, post: post)
            post.adaptations.each do |adaptation|
              scope.db[:ready_marks].insert_conflict.insert(workspace_id: member.workspace_id, id: new_id, post_id: post_id, adaptation_id: adaptation.id,
                fingerprint: adaptation.fingerprint, marked_by: member.person_id, marked_at: now)
            end
            record("marked_ready", post_id: post_id, revision_id: revision[:id])
            restage([post_id])
          end
        end
      end
    end
  end
end
