# frozen_string_literal: true

module AskFirst
  module Store
    module Plan
      # What is planned between two moments over one or many clients, channel by channel: the channel's own time, else
      # the master's.
      module Days
        MOST = 3_000 # channels of posts that are read
        COLUMNS = [
          Sequel[:posts][:workspace_id],
          Sequel[:posts][:id].as(:post_id),
          :subject,
          Sequel[:posts][:stage].as(:post_stage),
          Sequel[:adaptations][:stage],
          :strip,
          Sequel[:channels][:id].as(:channel_id),
          :network,
          :initials,
          Sequel[:channels][:name].as(:channel),
          Sequel.function(:coalesce, Sequel[:own][:value], Sequel[:master][:value]).as(:time)
        ].freeze

        module_function

        # @param scope [Scope]
        # @param from [Time]
        # @param to [Time]
        # @param narrowed [Narrowed]
        # @return [Array<Hash>] rows, one for each channel of a post that has a time between the two, and one for a post
        # without a channel; some of its other channels may be planned for elsewhere
        def of(scope, from, to, narrowed = Narrowed.new(scope, Core::Plan::Filter::NONE, everything: true))
          posts = narrowed.posts(Posts::Visible.narrow(scope, scope.rows(:posts)))
          key = [Sequel[:posts][:workspace_id], Sequel[:posts][:id]]
          lines = posts.where(key => found(scope, from, to)).left_join(:adaptations, on(Sequel[:posts][:id]))
          narrowed
            .lines(lines)
            .left_join(:channels, workspace_id: Sequel[:posts][:workspace_id], id: Sequel[:adaptations][:channel_id])
            .left_join(Sequel[:parts].as(:own), time_of(Sequel[:channels][:id]))
            .left_join(Sequel[:parts].as(:master), time_of(nil))
            .order(:at, Sequel[:posts][:id], Sequel[:channels][:position])
            .limit(MOST)
            .select(*COLUMNS)
            .all
            .select { |row| sees?(scope, row) }
        end

        # @param narrowed [Narrowed]
        # @return [Sequel::Dataset] posts that no channel of theirs has a time for
        def without_time(scope, narrowed)
          bare = Posts::Visible.narrow(scope, scope.rows(:posts)).where(Sequel[:posts][:at] => nil)
          narrowed.whole_posts(bare)
        end

        # @return [Array<Hash>] rows of the scope's clients: :id, :name, :zone, :week_start, :holidays, :working_hours
        def clients(scope)
          scope.db[:workspaces]
            .where(id: scope.workspace_ids)
            .order(:name)
            .select(:id, :name, :zone, :week_start, :holidays, :working_hours)
            .all
        end

        # @return [String] the reader's own
        def reader_zone(scope) = scope.db[:people].where(id: scope.person_id).get(:zone)

        # By the first time of a post, or by one that a channel has of its own. A wall time is within a day of its
        # instant.
        def found(scope, from, to)
          first = scope.rows(:posts).where(at: from..to).select(:workspace_id, :id)
          wall = Sequel.lit("value ->> 'wall'")
          own =
            scope
              .rows(:parts)
              .where(part: "time")
              .exclude(channel_id: nil)
              .where(wall => (from - 86_400).strftime("%FT%T")..(to + 86_400).strftime("%FT%T"))
          first.union(own.select(:workspace_id, :post_id), from_self: false)
        end

        def on(post)
          { workspace_id: Sequel[:posts][:workspace_id], post_id: post, removed_at: nil }
        end

        def time_of(channel)
          {
            workspace_id: Sequel[:posts][:workspace_id],
            post_id: Sequel[:posts][:id],
            channel_id: channel,
            part: "time"
          }
        end

        def sees?(scope, row)
          limits = scope.limits[row[:workspace_id]]
          limits.nil? || row[:channel_id].nil? || limits.include?(row[:channel_id])
        end
        private_class_method :found, :on, :time_of, :sees?
      end
    end
  end
end
