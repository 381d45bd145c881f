# frozen_string_literal: true

module AskFirst
  module Store
    module People
      # Whose open pages are told of a change: members of the agency side, and of those who are limited to channels
      # only who see one of the posts.
      module Subscribers
        # Person ids. everything: of those who see the whole client · some: of those who are limited and see what it
        # is about
        People = Struct.new(:everything, :some) { def nobody? = everything.empty? && some.empty? }

        module_function

        # @param scope [Scope] of one workspace
        # @param post_ids [Array<String>] empty for something of the whole client
        # @return [People]
        def of(scope, post_ids, now)
          members = scope.rows(:memberships).where(Sequel[:memberships][:side] => "agency").where(Members.current(now))
          members =
            members.where(Sequel.|({ Sequel[:memberships][:limited] => false }, seen(scope, post_ids))) if post_ids.any?
          people(members.select_map([:person_id, Sequel[:memberships][:limited]]))
        end

        # The same out of a post's standing, with nothing read again.
        # @param people [Array<Hash>] of PostRows
        # @param workers [Array<String>] ids of those with a task on it
        def of_post(people, channel_ids, workers, now)
          hearing =
            people.select do |one|
              here = one[:ended_at].nil? && (one[:access_until].nil? || one[:access_until] > now)
              works = channel_ids.empty? || one[:channels].intersect?(channel_ids) || workers.include?(one[:id])
              one[:side] == "agency" && here && (!one[:limited] || works)
            end
          people(hearing.map { |one| one.values_at(:id, :limited) })
        end

        def people(pairs)
          limited, whole = pairs.partition(&:last)
          People.new(whole.map(&:first), limited.map(&:first))
        end

        def seen(scope, post_ids)
          on = scope.rows(:adaptations).where(post_id: post_ids, removed_at: nil)
          mine =
            scope.db[:membership_channels].where(
              workspace_id: Sequel[:memberships][:workspace_id],
              membership_id: Sequel[:memberships][:id]
            )
          tasks = scope.rows(:tasks).where(post_id: post_ids, person_id: Sequel[:memberships][:person_id])
          bare = scope.rows(:posts).where(id: post_ids).exclude(id: on.select(:post_id))
          Sequel.|(
            on.where(channel_id: mine.select(:channel_id)).select(1).exists,
            tasks.select(1).exists,
            bare.select(1).exists
          )
        end
        private_class_method :people, :seen
      end
    end
  end
end
