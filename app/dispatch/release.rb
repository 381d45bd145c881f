# frozen_string_literal: true

module AskFirst
  module App
    module Dispatch
      # Hands cleared adaptations to the dispatcher for their times. Checks again that what was approved is what will go
      # out; the release itself is what the dispatcher looks for.
      class Release < Act
        opens :post, "release", stand: true

        # @param adaptation_ids [Array<String>, nil] nil = every one of the post that can be released, on the member's channels
        # @return [Array<String>] ids of the released adaptations
        def call(post_id:, adaptation_ids: nil)
          chosen = choose(adaptation_ids)
          require_on!(chosen)
          require_releasable!(chosen)
          Posts::FixTags.call(kit, member, adaptations: chosen)
          revision = Posts::KeepRevision.call(kit, member, post: post)
          chosen.each { |adaptation| release(adaptation, revision) }
          Checks::LookAtLinks.plan(kit, member.workspace_id, post)
          restage([post_id])
          chosen.map(&:id)
        end

        private

        def choose(ids)
          return Releasable.among(mine(post.adaptations)) unless ids

          ids.map { |id| post.adaptation(id) or raise Core::NotFound, "This channel of the post" }
        end

        def require_releasable!(chosen)
          refusal = chosen.empty? ? Releasable.refusal_of_all(mine(post.adaptations), now) : first_refusal(chosen)
          raise refusal if refusal
        end

        def first_refusal(chosen)
          chosen.lazy.filter_map { |adaptation| Releasable.refusal(adaptation, now) }.first
        end

        def release(adaptation, revision)
          showing_id = adaptation.showing ? again(adaptation.showing) : first_showing(adaptation)
          scope.insert(:releases, { id: new_id, post_id: post.id, showing_id: showing_id, adaptation_id: adaptation.id,
                                    revision_adaptation_id: revision[:adaptations].fetch(adaptation.id), fingerprint: adaptation.fingerprint,
                                    wall: adaptation.time.wall, zone: adaptation.time.zone, at: adaptation.time.at, released_by: member.person_id, released_at: now })
          record("released", post_id: post.id, adaptation_id: adaptation.id, revision_id: revision[:id],
            facts: { channel: adaptation.channel[:name], time: adaptation.time.to_h, fingerprint: adaptation.fingerprint })
        end

        def first_showing(adaptation)
          id = new_id
          scope.insert(:showings, { id: id, post_id: post.id, adaptation_id: adaptation.id, channel_id: adaptation.row[:channel_id], number: 1, state: "planned" })
          id
        end

        def again(showing)
          moving = Store::Dispatch::Moves::Moving.new(row: showing, set: { tries: 0, claimed_by: nil, claimed_at: nil })
          Store::Dispatch::Moves.make(scope, :release_again, [moving], at: now)
          showing[:id]
        end
      end
    end
  end
end
