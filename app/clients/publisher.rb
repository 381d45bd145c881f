# frozen_string_literal: true

module AskFirst
  module App
    module Clients
      # Who publishes by hand for a client: one person whom its settings name, else the owner of each post. Whoever is
      # named can do it for every channel and for as long as they are asked to, so that nothing waits for nobody.
      module Publisher
        module_function

        # @param row [Hash] of Store::People::Members
        def fits?(row)
          may =
            Permissions::Capabilities.one(Member.from_row(row), "hand_over", [], Core::Permissions::Touched::NOTHING)
          may[:ok] && row[:access_until].nil? && !row[:limited]
        end

        # @return [Array<Hash>] {id:, name:} of those who can be named
        def candidates(scope, now)
          Store::People::Members
            .of_workspace(scope.whole, now)
            .select { |row| fits?(row) }
            .map { |row| { id: row[:person_id], name: row[:name] } }
        end

        # @param value [String, nil] person id; nil for each post's owner
        # @return [String, nil]
        def clean(scope, value, now)
          return if value.nil?
          return value if candidates(scope, now).any? { |one| one[:id] == value }

          raise Core::Invalid.new(
                  "cannot_publish",
                  "This person cannot publish by hand everywhere in this client.",
                  field: "publisher_id",
                  way_on: "Choose somebody from the list, or leave it to each post's owner."
                )
        end

        # After a membership changed or ended: whoever no longer fits is named no more.
        def keep_fitting(environment, scope)
          here = environment.db[:workspaces].where(id: scope.workspace_id)
          named = here.get(:publisher_id)
          return if named.nil? || candidates(scope, environment.now).any? { |one| one[:id] == named }

          here.update(publisher_id: nil)
        end
      end
    end
  end
end
