# frozen_string_literal: true

module AskFirst
  module Store
    module Plan
      # What is planned between two moments over one or many clients, channel by channel: the channel's own time, else
      # the master's.
      module Days
        MOST = 2_000 # posts that are read
        COLUMNS = %i[workspace_id id subject stage strip].map { |column| Sequel[:posts][column] }.freeze
        SAID = "adaptations.channel_id, adaptations.stage, own.value"
        # what is put into it there, where its network can be paid for showing a post to more people
        MONEY = "coalesce(own_budget.value, budget.value)"
        CHANNEL = <<~SQL
          json_agg(json_build_object('id', id, 'network', network, 'initials', initials, 'name', name,
            'paid', coalesce((card ->> 'budget')::boolean, false)) ORDER BY position, id)
        SQL
        # A channel at its place in the order, as it is said beside all its posts.
        Known =
          Struct.new(:at, :row) do
            def said = @said ||= row.except("paid")
            # @param money [Array] of one value, or none where nobody asked for it
            def paid(money) = money.empty? ? said : said.merge("money" => (money.first if row["paid"]))
          end
        private_constant :COLUMNS, :SAID, :MONEY, :CHANNEL, :Known

        module_function

        # @param scope [Scope]
        # @param from [Time]
        # @param to [Time]
        # @param narrowed [Filtered]
        # @param money [Boolean] whether each channel says its "money" too
        # @return [Array<Hash>] posts of which one time is between the two, by their first: "time" of the master, and
        # the "channels" that the reader sees, each
        # {"channel" =>, "stage" =>, "time" => its own if it has one}. As one JSON value: thousands of
        # small ones take as long to read as to find
        def of(scope, from, to, narrowed = everything(scope), money: false)
          key = [Sequel[:posts][:workspace_id], Sequel[:posts][:id]]
          # what is found is of these clients; the list of them again would have PostgreSQL look twenty times for each
          posts =
            narrowed
              .posts(Posts::Visible.narrow(scope, scope.db[:posts]))
              .where(key => found(scope, from, to))
              .where(narrowed.shown(seen(scope)))
              .order(:at, Sequel[:posts][:id])
              .limit(MOST)
          read(scope, posts, narrowed, money: money)
        end

        # The same of some posts, whenever they go out.
        # @param which [Hash] columns of posts => what they are
        def of_posts(scope, money: false, **which)
          here = which.transform_keys { |column| Sequel[:posts][column] }
          posts = Posts::Visible.narrow(scope, scope.rows(:posts)).where(here).limit(MOST)
          read(scope, posts, everything(scope), money: money)
        end

        def everything(scope) = Filtered.new(scope, Core::Plan::Filter::NONE, everything: true)

        def read(scope, posts, narrowed, money:)
          on = channels(narrowed.adaptations(seen(scope)), money)
          lines = posts.select(*COLUMNS, master(scope).as(:time), on.as(:channels))
          all = scope.db[:channels].where(workspace_id: scope.workspace_ids).select(Sequel.lit(CHANNEL))
          found = scope.db.from(lines.as(:t)).get([Sequel.function(:json_agg, Sequel.lit("t")).as(:posts), all.as(:on)])
          known = (found[1] || []).each_with_index.to_h { |channel, at| [channel["id"], Known.new(at, channel)] }
          (found[0] || []).each { |row| row["channels"] = row["channels"]&.then { |own| said(own, known) } }
        end

        # A client has few channels and many posts: each is written out once, and put beside its posts here.
        # @param own [Array<Array>] channel id, stage, time of its own, and money if it was asked for
        def said(own, known)
          own
            .sort_by { |id, _| known.fetch(id).at }
            .map { |id, stage, time, *money| { "channel" => known[id].paid(money), "stage" => stage, "time" => time } }
        end

        # @param narrowed [Filtered]
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

        # By every time that is planned: the master's, or one that a channel has of its own. A wall time is within a day
        # of its instant.
        # @return [Sequel::Dataset] (workspace_id, post_id)
        def found(scope, from, to)
          walls = (from - 86_400).strftime("%FT%T")..(to + 86_400).strftime("%FT%T")
          scope.rows(:parts).where(part: "time", planned: walls).select(:workspace_id, :post_id)
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

        def channels(adaptations, money)
          own = adaptations.left_join(Sequel[:parts].as(:own), part("time", Sequel[:adaptations][:channel_id]))
          own = budgets(own) if money
          said = money ? "#{SAID}, #{MONEY}" : SAID
          own.select(Sequel.lit("json_agg(json_build_array(#{said}))"))
        end

        def budgets(adaptations)
          adaptations.left_join(
            Sequel[:parts].as(:own_budget),
            part("budget", Sequel[:adaptations][:channel_id])
          ).left_join(Sequel[:parts].as(:budget), part("budget", nil))
        end

        def part(name, channel)
          adaptation = Sequel[:adaptations]
          post = { workspace_id: adaptation[:workspace_id], post_id: adaptation[:post_id] }
          post.merge(channel_id: channel, part: name)
        end

        def master(scope)
          scope.db[:parts].where(
            workspace_id: Sequel[:posts][:workspace_id],
            post_id: Sequel[:posts][:id],
            channel_id: nil,
            part: "time"
          ).select(:value)
        end
        private_class_method :everything, :read, :said, :channels, :budgets, :part
      end
    end
  end
end
