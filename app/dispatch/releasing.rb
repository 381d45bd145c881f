# frozen_string_literal: true

module AskFirst
  module App
    module Dispatch
      # Hands adaptations that may be released to the dispatcher, of one post or of many of one client: their tags and
      # revisions are kept, each gets a live release, and their showings are due at its time. Called inside a
      # transaction that holds the posts' locks, by acts that have asked Releasable.
      class Releasing < Act
        inside

        # @param posts [Hash{Store::Posts::PostState::Post=>Array<Store::Posts::PostState::Adaptation>}]
        # @return [Array<Store::Posts::PostState::Post>] as they were before
        def call(posts:)
          Posts::FixTags.call(environment, member, adaptations: posts.values.flatten)
          @revisions = Posts::CreateRevisions.call(environment, member, posts: posts.keys)
          chosen = posts.flat_map { |post, adaptations| adaptations.map { |one| [post, one] } }
          showings = chosen.to_h { |_, one| [one.id, one.showing || first_showing(one)] }
          releases = chosen.map { |post, one| release(post, one, showings.fetch(one.id)[:id]) }
          keep_rows(chosen, showings.values, releases)
          keep(*posts_after(posts.keys, showings.values, releases))
          posts.each_key { |post| Checks::LookAtLinks.plan(environment, member.workspace_id, post) }
          posts.keys
        end

        private

        def first_showing(adaptation)
          {
            id: new_id,
            post_id: adaptation.row[:post_id],
            adaptation_id: adaptation.id,
            channel_id: adaptation.row[:channel_id],
            number: 1,
            state: "planned",
            new: true
          }
        end

        def release(post, adaptation, showing_id)
          {
            id: new_id,
            post_id: post.id,
            showing_id: showing_id,
            adaptation_id: adaptation.id,
            revision_adaptation_id: @revisions.fetch(post.id)[:adaptations].fetch(adaptation.id),
            fingerprint: adaptation.fingerprint,
            wall: adaptation.time.wall,
            zone: adaptation.time.zone,
            at: adaptation.time.at,
            released_by: member.person_id,
            released_at: now
          }
        end

        def keep_rows(chosen, showings, releases)
          added, there = showings.partition { |row| row[:new] }
          scope.insert(:showings, *added.map { |row| row.except(:new) })
          again =
            there.map do |row|
              Store::Dispatch::Moves::Moving.new(row: row, set: { tries: 0, claimed_by: nil, claimed_at: nil })
            end
          Store::Dispatch::Moves.make(scope, :release_again, again, at: now)
          scope.insert(:releases, *releases)
          Store::Record::Rows.add_all(
            scope,
            now: now,
            who: member.on_record,
            rows: chosen.map { |post, one| on_record(post, one) }
          )
        end

        def on_record(post, adaptation)
          {
            act: "released",
            post_id: post.id,
            adaptation_id: adaptation.id,
            revision_id: @revisions.fetch(post.id)[:id],
            facts: {
              channel: adaptation.channel[:name],
              time: adaptation.time.to_h,
              fingerprint: adaptation.fingerprint
            }
          }
        end

        # As the rows stand now; nothing is read again.
        def posts_after(posts, showings, releases)
          ids = showings.map { |row| row[:id] }
          planned = showings.map { |row| row.except(:new).merge(state: "planned", claimed_by: nil) }
          source =
            posts.first.source.changed(
              showings: ->(rows) { rows.reject { |row| ids.include?(row[:id]) } + planned },
              releases: ->(rows) { rows + releases }
            )
          source.posts.values_at(*posts.map(&:id))
        end
      end
    end
  end
end
