# frozen_string_literal: true

module AskFirst
  module App
    module Plan
      # One act over several posts of a client, each for itself: what cannot be done to one does not stop the others,
      # and is said. Looked at before, the same acts are done and taken back in one transaction, so that before and
      # after are the same answer.
      class Several < Act
        stepwise
        opens :client, "see_post"

        MOST = 25 # posts in one call: a transaction stays short, and a page shows how far it is

        # @param kind [String] see Core::Plan::SeveralOrder
        # @param post_ids [Array<String>]
        # @param value [Object] see there
        # @param dry [Boolean] only say what would happen
        # @return [Array<Hash>] for each: {post_id:, done:, changed:, was:, stage:, why:, before:, made:}
        # @raise [Core::Invalid] see there
        def call(kind:, post_ids:, value: nil, dry: false)
          reading { enter }
          Core::Plan::SeveralOrder.check!(kind, post_ids, value, most: MOST)
          return LookAtMoves.call(environment, member, post_ids: post_ids, days: value) if dry && kind == "move"

          @dry = dry
          found = nil
          # in one order, so that two who do it at once wait for each other instead of for ever
          scope.transaction(rollback: dry ? :always : nil) do
            stages = stages(post_ids)
            found = post_ids.uniq.sort.map { |id| one(kind, id, value, stages[id]) }
          end
          found
        end

        private

        def one(kind, id, value, was)
          before = nil
          raise Core::NotFound, "This post" unless was || kind == "bring_back"

          environment.db.transaction(savepoint: true) { before = send(kind, id, value) }
          more = { changed: before != :same, stage: stages([id])[id] }
          more[:before] = before if before.is_a?(String)
          more[:made] = before if kind == "copy"
          SeveralAnswer.done(id, was, **more)
        rescue Core::Error => e
          SeveralAnswer.refused(id, was, e)
        end

        # @return [Hash{String=>String}] of those that the reader sees
        def stages(ids)
          Store::Posts::Visible.of(scope, ids.grep(Core::Uuid::FORMAT)).select_hash(:id, :stage)
        end

        # Every time that the post has, by as many days; each keeps its hour.
        def move(id, days)
          by = days.is_a?(Hash) ? days.fetch(id) : days
          return :same if by.zero?

          times(id) { |time| time.wall + (by * 86_400) }
        end

        # Every time that it has to this hour of its own day.
        # @return [String, Symbol] the hour before, where there was one alone
        def clock(id, clock)
          hour, minute = clock.split(":").map(&:to_i)
          before = times(id) { |time| Time.utc(*time.wall.to_a.values_at(5, 4, 3), hour, minute) }
          clocks = before.map { |time| time["wall"][11, 5] }.uniq
          return :same if clocks == [clock]

          clocks.one? ? clocks.first : nil
        end

        # @yieldparam time [Core::Plan::WallTime] one of the post's
        # @yieldreturn [Time] the new wall time
        # @return [Array<Hash>] the times before
        def times(id)
          lines = Lines.of(Store::Plan::Days.of_posts(scope, id: id))
          raise SeveralAnswer.no_time if lines.empty?

          lines.map do |line|
            later = Core::Plan::WallTime.new(yield(line.time), line.time.zone)
            channels = line.channels.map { |channel| channel["id"] }
            Move.call(environment, member, post_id: id, channel_ids: channels, from: line.value, time: later.to_h)
            line.value
          end
        end

        # Into new drafts for other channels, or of another client.
        # @return [Array<String>] their ids
        def copy(id, value)
          walls = value["days"] ? [later(id, value["days"])].compact : []
          where = { channel_ids: value["channel_ids"], workspace_id: value["workspace_id"] }
          Posts::CopyPost.call(environment, member, post_id: id, walls: walls, dry: @dry, **where)
        end

        # @return [String, nil] its first wall time, so many days later, if it has one
        def later(id, days)
          time = Lines.of(Store::Plan::Days.of_posts(scope, id: id)).map(&:time).min_by(&:wall)
          time && (time.wall + (days * 86_400)).strftime("%Y-%m-%dT%H:%M")
        end

        def owner(id, person)
          before = Posts::UpdateOwner.call(environment, member, post_id: id, person_id: person.to_s)
          before == person ? :same : before
        end

        def release(id, _) = Dispatch::Release.call(environment, member, post_id: id)
        def take_back(id, _) = Dispatch::TakeBack.call(environment, member, post_id: id)
        def discard(id, _) = Posts::DiscardPost.call(environment, member, post_id: id)
        def bring_back(id, _) = Posts::BringBack.call(environment, member, post_id: id)

        def label(id, name)
          labels(id) { |names| names.any? { |one| same?(one, name) } ? names : names + [name] }
        end

        def unlabel(id, name)
          labels(id) { |names| names.reject { |one| same?(one, name) } }
        end

        def campaign(id, name)
          before = rows(:campaigns).where(id: rows(:posts).where(id: id).select(:campaign_id)).get(:name).to_s
          Posts::SetCampaign.call(environment, member, post_id: id, name: name)
          before == name ? :same : before
        end

        def labels(id)
          on = rows(:post_labels).where(post_id: id).select(:label_id)
          before = rows(:labels).where(id: on).order(:name).select_map(:name)
          after = yield(before)
          Posts::SetLabels.call(environment, member, post_id: id, names: after)
          after == before ? :same : before
        end

        def same?(one, other) = one.downcase(:fold) == other.to_s.downcase(:fold)
      end
    end
  end
end
