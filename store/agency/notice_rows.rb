# frozen_string_literal: true

module AskFirst
  module Store
    module Agency
      # What a person was told, over all of their clients.
      module NoticeRows
        module_function

        # @param scope [Scope] of one person
        # @return [Sequel::Dataset]
        def of(scope) = scope.rows(:notices).where(person_id: scope.person_id)

        # @return [Array<Hash>] the newest first, each with the :subject of its post
        def newest(scope, limit)
          posts = { workspace_id: Sequel[:notices][:workspace_id], id: Sequel[:notices][:post_id] }
          of(scope)
            .left_join(:posts, posts)
            .reverse(Sequel[:notices][:at], Sequel[:notices][:id])
            .limit(limit)
            .select_all(:notices)
            .select_append(:subject)
            .all
        end
      end
    end
  end
end
