# frozen_string_literal: true

module AskFirst
  module Store
    module Posts
      # Posts that were discarded: no other query sees one. They are read, discarded and restored by functions of the
      # database.
      module Discarded
        COLUMNS = %i[discarded_at discarded_by].freeze

        module_function

        # @param scope [Scope]
        # @return [Sequel::Dataset] of posts, those that the reader would see
        def all(scope)
          Visible.narrow(scope, scope.db.from(Sequel.function(:app_discarded_posts).as(:posts)))
        end

        # @param words [String] looked for in subject lines, inner names and copy
        # @param before [Array(Time, String), nil] when the last of the page before was discarded, and its id
        # @return [Array<Hash>] rows of Listed.lines with COLUMNS, the latest discarded first
        def page(scope, words:, before:, limit:)
          posts = all(scope)
          posts = posts.where(like(scope, words)) unless words.empty?
          posts = posts.where(Sequel.lit("(discarded_at, posts.id) < (?, ?)", *before)) if before
          lines(posts).order(Sequel.desc(:discarded_at), Sequel.desc(Sequel[:posts][:id])).limit(limit).all
        end

        # @return [Hash, nil] the same of one
        def find(scope, post_id) = lines(all(scope).where(Sequel[:posts][:id] => post_id)).first

        # @param ids [Array<String>]
        # @return [Hash{String=>String}] their subjects by id
        def subjects(scope, ids)
          ids.empty? ? {} : all(scope).where(Sequel[:posts][:id] => ids).select_hash(:id, :subject)
        end

        # @param scope [Scope] of one workspace and one person
        # @return [Boolean] false where an answer is asked for or something was released
        def discard(scope, post_id, now)
          called(scope, :app_discard_post, post_id, scope.person_id, now)
        end

        # @return [Boolean] false where it was restored meanwhile
        def restore(scope, post_id)
          called(scope, :app_bring_back_post, post_id)
        end

        def called(scope, name, *more)
          scope.db.get(Sequel.function(name, scope.workspace_id, *more))
        end

        def lines(posts) = Listed.lines(posts).select_append(*COLUMNS.map { |column| Sequel[:posts][column] })

        def like(scope, words)
          pattern = "%#{words.gsub(/[\\%_]/) { |one| "\\#{one}" }}%"
          texts =
            scope.db[:parts].where(
              workspace_id: Sequel[:posts][:workspace_id],
              post_id: Sequel[:posts][:id],
              part: "text"
            ).where(Sequel.lit("(value #>> '{}') ILIKE ?", pattern))
          named = %i[subject inner_name].map { |column| Sequel.ilike(Sequel[:posts][column], pattern) }
          Sequel.|(*named, texts.select(1).exists)
        end
        private_class_method :called, :lines, :like
      end
    end
  end
end
