# frozen_string_literal: true

module AskFirst
  module App
    module Posts
      # Gives a post to another owner: whoever is told of what happens to it, and publishes it by hand if nobody else is
      # named. Immaterial: it voids nothing.
      class UpdateOwner < Act
        opens :post, "change_owner", whole: true

        # @param person_id [String] of a member of the agency's side who sees the post
        # @return [String] the owner before
        # @raise [Core::Invalid] no_such_owner
        def call(post_id:, person_id:)
          before = row[:owner_id]
          return before if before == person_id

          heir = colleagues.find { |one| one.person_id == person_id && may_own?(one) } or raise no_such_owner
          rows(:posts).where(id: post_id).update(owner_id: person_id)
          record("owner_changed", post_id: post_id, facts: { before: names[before], after: heir.name })
          announce("posts", ids: [post_id])
          before
        end

        private

        # Whoever owns a post sees it.
        def may_own?(member)
          return false unless member.side == "agency" && member.abilities.include?("see")

          limits = member.limited_to
          channels = rows(:adaptations).where(post_id: row[:id], removed_at: nil).select_map(:channel_id)
          limits.nil? || channels.empty? || limits.intersect?(channels)
        end

        def no_such_owner
          Core::Invalid.new(
            "no_such_owner",
            "An owner works for this client and sees the post.",
            field: "person",
            way_on: "Choose somebody else."
          )
        end
      end
    end
  end
end
