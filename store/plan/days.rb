# frozen_string_literal: true

module AskFirst
  module Store
    module Plan
      # What is planned between two moments over one or many clients, channel by channel: the channel's own time, else
      # the master's.
      module Days
        MOST = 2_000 # posts that are read
        COLUMNS = %i[workspace_id id subject stage strip].map { |column| Sequel[:posts][column] }.freeze
        CHANNEL = Sequel.lit(<<~SQL)
          json_agg(json_build_object('id', channels.id, 'network', channels.network, 'initials', channels.initials,
            'name', channels.name, 'stage', adaptations.stage, 'time', own.value) ORDER BY channels.position)
        SQL
        private_constant :COLUMNS, :CHANNEL

        module_function

        # @param scope [Scope]
        # @param from [Time]
        # @param to [Time]
        # @param narrowed [Narrowed]
        # @return [Array<Hash>] posts of which one time is between the two, by their first: "time" of the master, and
        # the "channels" that the reader sees, each with its own "time" if it has one. As one JSON value: thousands of
        # small ones take as long to read as to find
        def of(scope, from, to, narrowed = Narrowed.new(scope, Core::Plan::Filter::NONE, everything: true))
          key = [Sequel[:posts][:workspace_id], Sequel[:posts][:id]]
          posts =
            narrowed
              .posts(Posts::Visible.narrow(scope, scope.rows(:posts)))
              .where(key => found(scope, from, to))
              .where(narrowed.shown(seen(scope)))
              .order(:at, Sequel[:posts][:id])
              .limit(MOST)
          read(scope, posts, narrowed)
        end

        # The same of some posts, whenever they go out.
        # @param ids [Array<String>]
        def of_posts(scope, ids)
          posts = Posts::Visible.narrow(scope, scope.rows(:posts)).where(Sequel[:posts][:id] => ids)
          read(scope, posts, Narrowed.new(scope, Core::Plan::Filter::NONE, everything: true))
        end

        def read(scope, posts, narrowed)
          on = channels(narrowed.adaptations(seen(scope)))
          lines = posts.select(*COLUMNS, master(scope).as(:time), on.as(:channels))
          scope.db.from(lines.as(:t)).get(Sequel.function(:json_agg, Sequel.lit("t"))) || []
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

        # @return [Sequel::Dataset] the adaptations of a post beside it, as far as the reader sees their channels
        def seen(scope)
          here = Sequel[:adaptations]
          all =
            scope.db[:adaptations].where(
              here[:workspace_id] => Sequel[:posts][:workspace_id],
              here[:post_id] => Sequel[:posts][:id],
              here[:removed_at] => nil
            )
          scope
            .limits
            .reduce(all) do |kept, (workspace_id, channel_ids)|
              kept.where(
                Sequel.|(Sequel.~(here[:workspace_id] => workspace_id), { here[:channel_id] => channel_ids.to_a })
              )
            end
        end

        def channels(adaptations)
          own = {
            workspace_id: Sequel[:adaptations][:workspace_id],
            post_id: Sequel[:adaptations][:post_id],
            channel_id: Sequel[:channels][:id],
            part: "time"
          }
          adaptations
            .join(:channels, workspace_id: Sequel[:adaptations][:workspace_id], id: Sequel[:adaptations][:channel_id])
            .left_join(Sequel[:parts].as(:own), own)
            .select(CHANNEL)
        end

        def master(scope)
          scope.db[:parts].where(
            workspace_id: Sequel[:posts][:workspace_id],
            post_id: Sequel[:posts][:id],
            channel_id: nil,
            part: "time"
          ).select(:value)
        end
        private_class_method :read, :found, :channels, :master
      end
    end
  end
end
