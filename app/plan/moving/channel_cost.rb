# frozen_string_literal: true

module AskFirst
  module App
    module Plan
      # Says what going out on another channel would do, before it is dropped: it is done, looked at, and taken back in
      # one transaction, so that before and after are the same.
      class ChannelCost < Act
        stepwise
        opens :post, "see_post", lock: false, stand: true

        # @return [Hash] JSON-ready, as of MoveCost
        def call(post_id:, from:, to:, seen:, time:)
          before = reading { enter && mine(post.adaptations).find { |one| one.row[:channel_id] == from } }
          raise Core::NotFound, "This channel of the post" unless before

          found = nil
          scope.transaction(rollback: :always) { found = look(post_id, from, to, seen, time, before) }
          found
        rescue Core::Refused, Core::Conflict, Core::Over => e
          answer(nil, refused: [e.message, e.way_on].compact.join(" "))
        end

        private

        def look(post_id, from, to, seen, time, before)
          ChangeChannel.call(environment, member, post_id: post_id, from: from, to: to, seen: seen, time: time)
          there = post_states([post_id]).fetch(post_id)
          one = there.on(to)
          answer(
            one.time,
            costs: [*leaving(before), { channel: one.channel[:name], costs: ["It starts there without a yes."] }],
            warnings: warnings(there, one)
          )
        end

        def leaving(before)
          costs = Core::Signoff::Cost.of_leaving(before.verdict, names)
          costs.any? ? [{ channel: before.channel[:name], costs: costs }] : []
        end

        def warnings(there, one)
          around = Posts::SeenAround.new(scope, there, [one], there.workspace).of(one).around
          faults = Core::Checks::PostChecks.faults(one.request, one.channel[:card])
          [*faults, *around].map { |finding| { channel: one.channel[:name], sentence: finding.sentence } }
        end

        def answer(time, refused: nil, costs: [], warnings: [])
          {
            refused: refused,
            free: refused.nil? && Core::Plan::FreeMove.free?(time, costs, now),
            kind: time&.kind,
            at: time&.at&.iso8601,
            past: time ? time.at <= now : false,
            off: time && DayOff.of(workspace, time),
            costs: costs,
            warnings: warnings
          }
        end
      end
    end
  end
end
