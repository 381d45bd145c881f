# frozen_string_literal: true

module AskFirst
  module App
    module Plan
      # Says what moving several posts by days would come to, each for itself, as Several answers when it is done.
      # Writes nothing and locks nothing: it is asked with every place that they are held over.
      class LookAtMoves < Act
        include MayMove
        reads :client, "see_post"

        # @param post_ids [Array<String>]
        # @param days [Integer, Hash{String=>Integer}] by how many, or by how many each post
        # @return [Array<Hash>] as of Several
        def call(post_ids:, days:)
          seen = Store::Posts::Visible.of(scope, post_ids.grep(Core::Uuid::FORMAT)).select_map(:id)
          @posts = post_states(seen)
          @lines = Lines.of(Store::Plan::Days.of_posts(scope, id: seen)).group_by(&:post_id)
          post_ids.uniq.sort.map { |id| one(id, days.is_a?(Hash) ? days.fetch(id) : days) }
        end

        private

        def one(id, days)
          post = @posts[id] or raise Core::NotFound, "This post"
          return SeveralAnswer.done(id, post.row[:stage], changed: false) if days.zero?

          SeveralAnswer.done(id, post.row[:stage], stage: moved(post, days).stage)
        rescue Core::Error => e
          SeveralAnswer.refused(id, post && post.row[:stage], e)
        end

        # @return [Store::Posts::PostState::Post] as it would stand
        def moved(post, days)
          lines = @lines[post.id] or raise SeveralAnswer.no_time
          lines.reduce(post) do |before, line|
            moving = Moving.new(before, mine(before.adaptations), line.channels.map { |channel| channel["id"] })
            require_movable!(before, moving)
            raise Moving.moved_meanwhile("from") unless moving.at?(line.time)

            later = Core::Plan::WallTime.new(line.time.wall + (days * 86_400), line.time.zone)
            released(moving.moved(Core::Posts::PartValues.clean("time", later.to_h, now: now)))
          end
        end

        # What becomes of its releases: they move along with it, or end.
        def released(post)
          moved = post.changed(releases: ->(rows) { rows.map { |row| along(post, row) } })
          over = moved.adaptations.reject(&:release_stands?).map { |one| one.release[:id] }
          moved.changed(releases: ->(rows) { rows.reject { |row| over.include?(row[:id]) } })
        end

        def along(post, row)
          one = post.adaptations.find { |adaptation| adaptation.release && adaptation.release[:id] == row[:id] }
          return row unless one&.release_moves? && one.time.at > now

          row.merge(wall: one.time.wall, zone: one.time.zone, at: one.time.at)
        end
      end
    end
  end
end
