# frozen_string_literal: true

module AskFirst
  module Store
    module Signoff
      # What a post's row keeps of its verdicts, so that lists need not compute them.
      module PostCaches
        COLUMNS = %i[stage strip at changes_at waits_for_nobody].freeze
        FOUND =
          "jsonb_to_recordset(CAST(? AS jsonb)) AS found(id uuid, stage text, strip jsonb, at timestamptz, " \
            "changes_at timestamptz, waits_for_nobody boolean)"
        private_constant :FOUND

        module_function

        # As many posts as there are, in one statement.
        # @param scope [Scope] of one workspace
        # @param caches [Hash{String=>Hash}] post id => COLUMNS and what they are
        def put(scope, caches)
          wanted =
            caches.map do |id, cache|
              { id: id, **cache, at: cache[:at]&.iso8601(6), changes_at: cache[:changes_at]&.iso8601(6) }
            end
          source = scope.db.from(Sequel.lit(FOUND, JSON.generate(wanted)))
          scope
            .db
            .from(:posts, source.as(:wanted))
            .where(Sequel[:posts][:workspace_id] => scope.workspace_id, Sequel[:posts][:id] => Sequel[:wanted][:id])
            .update(COLUMNS.to_h { |column| [column, Sequel[:wanted][column]] })
        end
      end
    end
  end
end
