# frozen_string_literal: true

module AskFirst
  module Store
    module Traffic
      # Production tasks of a client's posts.
      module Tasks
        module_function

        # @param scope [Scope]
        # @return [Sequel::Dataset] what a person has to do still, as far as the reader sees the post; the most urgent
        #   first
        def open(scope, person_id)
          seen = Posts::Visible.narrow(scope, scope.rows(:posts))
          scope
            .rows(:tasks)
            .where(person_id: person_id, done_at: nil, post_id: seen.select(Sequel[:posts][:id]))
            .order(:due_at)
        end
      end
    end
  end
end
