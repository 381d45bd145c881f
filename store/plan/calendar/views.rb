# frozen_string_literal: true

module AskFirst
  module Store
    module Plan
      # Saved views: a person's own, and those of a client that everybody there sees.
      module Views
        COLUMNS = %i[id workspace_id shared name look narrowing].freeze

        module_function

        # @param scope [Scope]
        # @param over_all [Boolean] also those over all of the reader's clients
        # @return [Array<Hash>] by name
        def of(scope, over_all:)
          mine = { person_id: scope.person_id, shared: false }
          here = { workspace_id: scope.workspace_ids }
          found = scope.db[:saved_views].where(Sequel.|(Sequel.&(here, shared: true), Sequel.&(here, mine)))
          found = found.or(mine.merge(workspace_id: nil)) if over_all
          found.order(Sequel.function(:lower, :name)).limit(Core::Plan::SavedView::MOST * 4).select(*COLUMNS).all
        end

        # @param views [Array<Hash>] rows of `of`
        # @return [Hash{String=>Integer}] id => posts that it shows, in one statement; of one client each counts its own
        def counts(scope, views)
          return {} if views.empty?

          parts =
            views.map do |view|
              counted(scope, view).select(Sequel.cast(view[:id], :uuid).as(:id), Sequel.function(:count).*.as(:count))
            end
          scope
            .db
            .from(parts.reduce { |one, more| one.union(more, all: true, from_self: false) }.as(:counted))
            .to_hash(:id, :count)
        end

        def counted(scope, view)
          posts = Posts::Visible.narrow(scope, scope.rows(:posts))
          posts = posts.where(Sequel[:posts][:workspace_id] => view[:workspace_id]) if view[:workspace_id]
          Filtered.new(scope, Core::Plan::Filter.read(view[:narrowing])).whole_posts(posts)
        end
        private_class_method :counted

        # @param own [Hash] whose it is: {workspace_id:, shared: true}, or {workspace_id:, shared: false, person_id:}
        # @param by [String] id of who saves it
        # @param view [Core::Plan::SavedView]
        # @return [String] its id; the one of that name is written over
        # @raise [Core::Invalid] too_many_views
        def keep(scope, view, own, by:, id:, now:)
          all = scope.db[:saved_views].where(own)
          values = { look: view.look, narrowing: Database.jsonb(view.filter.to_h) }
          named = all.where(Sequel.function(:lower, :name) => Sequel.function(:lower, view.name))
          update = -> { named.returning(:id).update(values).first&.fetch(:id) }
          there = update.call and return there
          raise Core::Plan::SavedView.too_many if all.count >= Core::Plan::SavedView::MOST

          # two at once under one name: the later writes over; one that goes meanwhile is made anew
          row = own.merge(values, person_id: by, id: id, name: view.name, made_at: now)
          insert(scope, row) || update.call || insert(scope, row)
        end

        def insert(scope, row)
          scope.db[:saved_views].insert_conflict.returning(:id).insert(row).first&.fetch(:id)
        end
        private_class_method :insert
      end
    end
  end
end
