# frozen_string_literal: true

module AskFirst
  module Store
    module Posts
      # What the post sheet reads beside a post's standing: one function for each list that stands on it.
      module SheetRows
        ANSWERS = 60 # the latest that are shown
        CAMPAIGNS = 200 # the latest that can be chosen

        module_function

        def revision(scope, post_id) = scope.rows(:revisions).where(post_id: post_id).max(:number)

        # Open lines about the post, each with its ask.
        def open_lines(scope, post_id)
          scope
            .rows(:ask_lines)
            .where(:post_id => post_id, Sequel[:ask_lines][:ended_at] => nil)
            .join(:asks, workspace_id: :workspace_id, id: :ask_id)
            .select(Sequel[:ask_lines][:id].as(:line_id), :ask_id, :step_id, :asked_by, :asked_at, :due_at, :message)
            .all
        end

        # @return [Hash{String=>Array<String>}] ask id => person ids
        def asked_people(scope, ask_ids)
          return {} if ask_ids.empty?

          scope.rows(:ask_people).where(ask_id: ask_ids).select_hash_groups(:ask_id, :person_id)
        end

        # @return [Hash{String=>Array<Hash>}] ask id => live links
        def passes(scope, ask_ids)
          return {} if ask_ids.empty?

          scope.rows(:guest_passes).where(ask_id: ask_ids, revoked_at: nil).all.group_by { |row| row[:ask_id] }
        end

        # What one person said at a step of these adaptations: [order, line id] each.
        def answers_of(scope, post_id, step_id, person_id, adaptation_ids)
          said = { post_id: post_id, step_id: step_id, person_id: person_id, adaptation_id: adaptation_ids }
          scope.rows(:answers).where(said).select_map(%i[order_no line_id])
        end

        # @param adaptation_ids [Array<String>, nil] nil for all of the post
        def answers(scope, post_id, adaptation_ids)
          given = scope.rows(:answers).where(post_id: post_id)
          given = given.where(adaptation_id: adaptation_ids) if adaptation_ids
          given.order(Sequel.desc(:order_no)).limit(ANSWERS).all
        end

        # @return [Hash] line id => number of the revision that it asked about
        def revision_numbers(scope, post_id)
          scope
            .rows(:ask_lines)
            .where(Sequel[:ask_lines][:post_id] => post_id)
            .join(:revisions, workspace_id: :workspace_id, id: :revision_id)
            .select_hash(Sequel[:ask_lines][:id], :number)
        end

        def members_now(scope, now)
          scope.rows(:memberships).where(People::Members.current(now)).select_map(:person_id).to_set
        end

        # @param channel_ids [Array<String>, nil] nil for all
        def holds(scope, channel_ids)
          holds = scope.rows(:holds).where(lifted_at: nil)
          holds = holds.where(Sequel.|({ channel_id: nil }, { channel_id: channel_ids })) if channel_ids
          holds.all
        end

        def channels(scope, channel_ids)
          theirs = scope.rows(:channels).where(archived_at: nil)
          theirs = theirs.where(id: channel_ids) if channel_ids
          theirs.order(:position).all
        end

        def media(scope, ids) = ids.empty? ? [] : scope.rows(:media).where(id: ids).all
        def tasks(scope, post_id) = scope.rows(:tasks).where(post_id: post_id).order(:due_at).all
        def remarks(scope, post_id) = scope.rows(:remarks).where(post_id: post_id).order(:said_at).all

        def labels(scope, post_id)
          scope
            .rows(:post_labels)
            .where(post_id: post_id)
            .join(:labels, workspace_id: Sequel[:post_labels][:workspace_id], id: :label_id)
            .order(Sequel[:labels][:name])
            .select_map(Sequel[:labels][:name])
        end

        def campaign(scope, id) = id && scope.rows(:campaigns).where(id: id).get(:name)

        def known_labels(scope) = scope.rows(:labels).order(Sequel.function(:lower, :name)).select_map(:name)

        def known_campaigns(scope)
          scope.rows(:campaigns).order(Sequel.desc(:id)).limit(CAMPAIGNS).select_map(:name)
        end
      end
    end
  end
end
