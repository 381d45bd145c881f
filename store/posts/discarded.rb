# frozen_string_literal: true

module AskFirst
  module Store
    module Posts
      # Posts that were thrown away: whoever did it may take it back. Both are functions of the database, which looks
      # itself whether it may be.
      module Discarded
        module_function

        # @param scope [Scope] of one workspace and one person
        # @return [Boolean] false where an answer is asked for or something was released
        def throw_away(scope, post_id, now)
          called(scope, :app_discard_post, post_id, now)
        end

        # @return [Boolean] false where this person threw no such post away
        def bring_back(scope, post_id)
          called(scope, :app_bring_back_post, post_id)
        end

        def called(scope, name, post_id, *more)
          scope.db.get(Sequel.function(name, scope.workspace_id, post_id, scope.person_id, *more))
        end
        private_class_method :called
      end
    end
  end
end
