# frozen_string_literal: true

module AskFirst
  module Store
    module Dispatch
      # Showings that are not out yet, the next first. What is planned is found along the index by time, since there
      # can be thousands of it; what is under way is little, and is found by its state.
      module Unsent
        # Beyond this, what was planned and not sent has long become trouble; how long it had been live does not matter.
        BACK = 86_400

        module_function

        # @return [Array<Array(String, String)>] workspace and showing of what is under way
        def under_way(scope, limit, states = %w[by_hand sending unclear])
          Posts::Visible
            .showings(scope, scope.rows(:showings))
            .where(state: states)
            .order(:id)
            .limit(limit)
            .select_map(%i[workspace_id id])
        end

        # @param channel_id [String, nil] nil for all
        # @return [Array<String>] posts that something may still go out of
        def post_ids(scope, channel_id)
          found = scope.rows(:showings).where(state: %w[planned by_hand sending unclear])
          found = found.where(channel_id: channel_id) if channel_id
          found.distinct.select_map(:post_id)
        end

        # @return [Sequel::Dataset] live releases of what is planned, by their time
        def planned(scope, now, limit)
          since = now - BACK
          showing =
            scope.db[:showings].where(
              workspace_id: Sequel[:releases][:workspace_id],
              id: Sequel[:releases][:showing_id],
              state: "planned"
            )
          waits = Posts::Visible.showings(scope, showing).select(1).exists
          scope.first_of_each(:releases, [Sequel[:releases][:at]], limit) do |releases|
            releases.where(Sequel[:releases][:ended_at] => nil).where { Sequel[:releases][:at] > since }.where(waits)
          end
        end
      end
    end
  end
end
