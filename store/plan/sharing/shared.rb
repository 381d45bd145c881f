# frozen_string_literal: true

module AskFirst
  module Store
    module Plan
      # A plan narrowed to what was shared with the client: what they were asked for, where the ask was not withdrawn,
      # and what is out for all to see. A post can be kept out of it.
      class Shared < Filtered
        def initialize(scope)
          super(scope, Core::Plan::Filter::NONE, everything: true)
        end

        def posts(posts) = posts.where(Sequel[:posts][:kept_out] => false)

        def adaptations(adaptations)
          adaptations.where(Sequel.|({ Sequel[:adaptations][:stage] => "out" }, asked.select(1).exists))
        end

        # What is on no channel was never asked for.
        def shown(adaptations) = adaptations(adaptations).select(1).exists

        private

        def asked
          adaptation = Sequel[:adaptations]
          line = { workspace_id: Sequel[:on][:workspace_id], id: Sequel[:on][:line_id] }
          ask = { workspace_id: Sequel[:ask_lines][:workspace_id], id: Sequel[:ask_lines][:ask_id] }
          @scope
            .db
            .from(Sequel[:ask_line_adaptations].as(:on))
            .where(
              Sequel[:on][:workspace_id] => adaptation[:workspace_id],
              Sequel[:on][:adaptation_id] => adaptation[:id]
            )
            .join(:ask_lines, line)
            .join(:asks, ask.merge(room: "client", withdrawn_at: nil))
            .where(
              Sequel.|({ Sequel[:ask_lines][:ended_as] => nil }, Sequel.~(Sequel[:ask_lines][:ended_as] => "withdrawn"))
            )
        end
      end
    end
  end
end
