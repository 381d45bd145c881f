# frozen_string_literal: true

module AskFirst
  module App
    module Dispatch
      # Hands cleared adaptations to the dispatcher for their times. Checks again that what was approved is what will go
      # out; the jobs are made in the same transaction.
      class Release < Act
        opens :post, "release", stand: true

        # @param adaptation_ids [Array<String>, nil] nil = every one of the post that can be released, on the member's channels
        # @return [Array<String>] ids of the released adaptations
        def call(post_id:, adaptation_ids: nil)
          chosen = choose(adaptation_ids)
          require_on!(chosen)
          chosen.each { |adaptation| require_releasable!(adaptation) }
          Posts::FixTags.call(kit, member, adaptations: chosen)
          revision = Posts::KeepRevision.call(kit, member, post: post)
          chosen.each { |adaptation| release(adaptation, revision) }
          Checks::LookAtLinks.plan(kit, member.workspace_id, post)
          restage([post_id])
          chosen.map(&:id)
        end

        private

        def choose(ids)
          return ids.map { |id| post.adaptation(id) or raise Core::NotFound, "This channel of the post" } if ids

          cleared = mine(post.adaptations).select { |adaptation| adaptation.stage == "cleared" }
          return cleared if cleared.any?

          raise not_cleared(mine(post.adaptations).first)
        end

        def require_releasable!(adaptation)
          raise not_cleared(adaptation) unless adaptation.stage == "cleared"

          channel = adaptation.channel
          raise planned(channel) if channel[:state] == "planned"
          raise lapsed(channel) if channel[:state] == "lapsed"

          require_sound!(adaptation)
          require_time!(adaptation)
        end

        def require_sound!(adaptation)
          faults = Core::Checks::PostChecks.faults(adaptation.request, adaptation.channel[:card])
          return if faults.empty?

          raise Core::Invalid.new("has_faults", "#{adaptation.channel[:name]}: #{faults.map(&:sentence).join(' ')}", field: faults.first.part, way_on: "Open it and mend it.")
        end

        def require_time!(adaptation)
          raise Core::Invalid.new("no_time", "There is no planned time yet.", field: "time", way_on: "Plan a time, then release.") if adaptation.time.nil?
          return if adaptation.time.at > now

          raise Core::Invalid.new("time_past", "Its planned time has passed.", field: "time", way_on: "Plan a later time, then release.")
        end

        def not_cleared(adaptation)
          return Core::Conflict.new("not_cleared", "It has no channel yet.", way_on: "Choose a channel.") if adaptation.nil?

          return in_trouble(adaptation) if adaptation.stage == "trouble"

          waits = adaptation.verdict.waits_at
          way = waits ? "It still needs its yes at “#{waits.name}”." : "Close what is open, or ask for what is missing."
          Core::Conflict.new("not_cleared", "#{adaptation.channel[:name]} is not cleared: nothing goes out without its yeses.", way_on: way)
        end

        def in_trouble(adaptation)
          Core::Conflict.new("in_trouble", "#{adaptation.channel[:name]} is in trouble.", way_on: "Take it back, or say in Dispatch what you saw there; then release it again.")
        end

        def planned(channel)
          Core::Conflict.new("channel_planned", "#{channel[:name]} is not connected yet, so nothing can go out there.",
            way_on: "Connect it on the client's channels page; the post keeps its yeses.")
        end

        def lapsed(channel)
          Core::Conflict.new("channel_lapsed", "The connection to #{channel[:name]} has lapsed, so nothing can go out there.",
            way_on: "Connect it again; the post keeps everything.")
        end

        def release(adaptation, revision)
          showing_id = adaptation.showing ? again(adaptation.showing) : first_showing(adaptation)
          scope.insert(:releases, { id: new_id, post_id: post.id, showing_id: showing_id, adaptation_id: adaptation.id,
                                    revision_adaptation_id: revision[:adaptations].fetch(adaptation.id), fingerprint: adaptation.fingerprint,
                                    wall: adaptation.time.wall, zone: adaptation.time.zone, at: adaptation.time.at, released_by: member.person_id, released_at: now })
          record("released", post_id: post.id, adaptation_id: adaptation.id, revision_id: revision[:id],
            facts: { channel: adaptation.channel[:name], time: adaptation.time.to_h, fingerprint: adaptation.fingerprint })
          kit.queue.advance(member.workspace_id, showing_id, at: adaptation.time.at)
        end

        def first_showing(adaptation)
          id = new_id
          scope.insert(:showings, { id: id, post_id: post.id, adaptation_id: adaptation.id, channel_id: adaptation.row[:channel_id], number: 1, state: "planned" })
          id
        end

        def again(showing)
          rows(:showings).where(id: showing[:id]).update(state: "planned", trouble: "", tries: 0, claimed_by: nil, claimed_at: nil)
          showing[:id]
        end
      end
    end
  end
end
