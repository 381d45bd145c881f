# frozen_string_literal: true

module AskFirst
  module App
    module Signoff
      # What looking at an ask for several posts and sending it share.
      class AskingMany < Act
        MOST = 100 # posts at once: what one person can look through

        private

        # @return [Askable]
        # @raise [Core::Invalid] too_many_posts
        def askable(post_ids)
          check!(post_ids)
          ids = seen(post_ids)
          posts = post_states(ids)
          @subjects = posts.transform_values { |post| post.row[:subject] }
          @gone = post_ids.uniq - ids
          Askable.new(
            posts.values,
            mine: method(:mine),
            who_answers: WhoAnswers.new(scope, colleagues, now, member.zone),
            asker: member.person_id,
            names: names
          )
        end

        def check!(post_ids)
          return if post_ids.uniq.size <= MOST

          raise Core::TooMany.new(
                  "At most #{MOST} posts are asked for at once: nobody looks through more.",
                  of: "posts",
                  field: "post_ids",
                  way_on: "Ask week by week."
                )
        end

        def seen(ids)
          Store::Posts::Visible.of(scope, ids.grep(Core::Uuid::FORMAT)).order(:at).select_map(:id)
        end

        # @return [Array<Hash>] {post_id:, why:}
        def left_of(askable)
          gone = @gone.to_h { |id| [id, Core::Signoff::NotAsked::GONE] }
          askable.left.merge(gone).map { |id, why| { post_id: id, why: why } }
        end
      end
    end
  end
end
