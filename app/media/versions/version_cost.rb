# frozen_string_literal: true

module AskFirst
  module App
    module Media
      # Which posts hold a medium, and what a newer version would do to each: it changes a draft; what is sealed must be
      # opened first, which ends the yeses that are named; what is being sent or out stays as it is. Writes nothing.
      class VersionCost < LibraryAct
        reads :media, "see_post"

        # @return [Array<Hash>] JSON-ready
        def call(media_id:)
          lines = Posts::ListPosts.lines(scope, library.posts_with(media_id))
          now_there = post_states(lines.map { |line| line[:id] })
          lines.map { |line| { **line.slice(:id, :subject, :stage, :at), **effect(now_there.fetch(line[:id])) } }
        end

        private

        # @return [Hash] effect: changes, sealed or stays; why: of the last two; costs: what opening it would cost
        def effect(post)
          out, rest = post.adaptations.partition(&:out?)
          on = Posts::Touching.channels(mine(rest))
          told =
            Core::Media::VersionEffect.of(out: out.any? && rest.empty?, going: on.going.to_a, sealed: on.sealed.to_a)
          { **told, costs: told[:effect] == "sealed" ? costs(post) : [] }
        end

        def costs(post) = post.adaptations.flat_map { |one| Core::Signoff::Cost.of_opening(one.verdict, names) }.uniq
      end
    end
  end
end
