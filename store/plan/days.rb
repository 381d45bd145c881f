# frozen_string_literal: true

module AskFirst
  module Store
    module Plan
      # What goes out on the days of a client, channel by channel: the channel's own time, else the master's.
      module Days
        MOST = 1_000 # channels of posts that are read
        COLUMNS = [
          Sequel[:posts][:id].as(:post_id),
          :subject,
          Sequel[:posts][:stage],
          :at,
          Sequel[:channels][:id].as(:channel_id),
          :network,
          :initials,
          Sequel[:channels][:name].as(:channel),
          Sequel.function(:coalesce, Sequel[:own][:value], Sequel[:master][:value]).as(:time)
        ].freeze

        module_function

        # @param scope [Scope] of one workspace
        # @param from [Time]
        # @param to [Time]
        # @return [Array<Hash>] rows, one for each channel of a post whose first time lies between the two
        def of(scope, from, to)
          posts = Posts::Visible.narrow(scope, scope.rows(:posts)).where(at: from..to)
          posts
            .join(:adaptations, { workspace_id: :workspace_id, post_id: :id }, qualify: :deep)
            .where(Sequel[:adaptations][:removed_at] => nil)
            .join(:channels, workspace_id: Sequel[:adaptations][:workspace_id], id: Sequel[:adaptations][:channel_id])
            .left_join(Sequel[:parts].as(:own), time_of(Sequel[:channels][:id]))
            .left_join(Sequel[:parts].as(:master), time_of(nil))
            .order(:at, Sequel[:posts][:id], Sequel[:channels][:position])
            .limit(MOST)
            .select(*COLUMNS)
            .all
            .select do |row|
              scope.limits[scope.workspace_id].nil? || scope.limits[scope.workspace_id].include?(row[:channel_id])
            end
        end

        def time_of(channel)
          {
            workspace_id: Sequel[:adaptations][:workspace_id],
            post_id: Sequel[:adaptations][:post_id],
            channel_id: channel,
            part: "time"
          }
        end
      end
    end
  end
end
