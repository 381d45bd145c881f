# frozen_string_literal: true

module AskFirst
  module Store
    module Agency
      # What waits for one person, each kind as the rows that it is made of, over one or many of their clients: the
      # Desk lists them, the masthead and the switcher count the same ones.
      class Waiting
        # @param scope [Scope]
        def initialize(scope)
          @scope = scope
          @me = scope.person_id
        end

        # Open lines with each person who has not answered them. NOT EXISTS, so that answered lines cost nothing.
        def open_asks
          @scope
            .rows(:ask_lines)
            .where(Sequel[:ask_lines][:ended_at] => nil)
            .join(:ask_people, workspace_id: Sequel[:ask_lines][:workspace_id], ask_id: Sequel[:ask_lines][:ask_id])
            .exclude(answered.select(1).exists)
        end

        def asked
          seen(open_asks.where(Sequel[:ask_people][:person_id] => @me))
        end

        # The same lines, each once, whoever of them can answer.
        def lines_of_others
          asked =
            @scope.db[:ask_people].where(
              Sequel[:ask_people][:workspace_id] => Sequel[:ask_lines][:workspace_id],
              Sequel[:ask_people][:ask_id] => Sequel[:ask_lines][:ask_id]
            )
          others = asked.exclude(person_id: @me).exclude(answered.select(1).exists)
          lines = @scope.rows(:ask_lines).where(Sequel[:ask_lines][:ended_at] => nil).where(others.select(1).exists)
          seen(answerable(lines))
        end

        # Lines that wait for somebody else.
        def of_others
          seen(answerable(open_asks.exclude(Sequel[:ask_people][:person_id] => @me)))
        end

        def tasks
          @scope.rows(:tasks).where(Sequel[:tasks][:person_id] => @me, :done_at => nil)
        end

        # What came back and has not been asked again anywhere yet.
        def came_back
          asked = @scope.rows(:ask_lines).where(ended_at: nil).select(:post_id)
          posts.where(stage: "changes_wanted", owner_id: @me).exclude(Sequel[:posts][:id] => asked)
        end

        # One's own posts whose next step nobody was asked for yet.
        def to_ask
          asked = @scope.rows(:ask_lines).where(ended_at: nil).select(:post_id)
          posts.where(stage: %w[internal_review client_approval], owner_id: @me).exclude(Sequel[:posts][:id] => asked)
        end

        # Asked of people who cannot answer any more: one's own posts, and all of a client for whom leads it.
        def for_nobody
          lead = Core::Permissions::Leads::WORK
          mine =
            @scope
              .rows(:memberships)
              .where(person_id: @me, ended_at: nil)
              .join(:roles, id: :role_id)
              .where(Sequel.lit("roles.abilities @> ?", Sequel.pg_array(lead, :text)))
              .select(Sequel[:memberships][:workspace_id])
          posts.where(Sequel[:posts][:waits_for_nobody]).where(
            Sequel.|({ owner_id: @me }, { Sequel[:posts][:workspace_id] => mine })
          )
        end

        # Unlocked to be changed and not asked again: it stands still until somebody does.
        def opened
          ids = @scope.rows(:openings).where(closed_at: nil, opened_by: @me).select(:post_id)
          posts.where(Sequel[:posts][:id] => ids).exclude(stage: "changes_wanted")
        end

        # Due on channels that no network takes: for whoever has taken it up, else for whom the client's settings name,
        # else for the post's owner.
        def by_hand
          named =
            Dispatch::Publisher
              .named(@scope.db)
              .where(Sequel[:workspaces][:id] => Sequel[:posts][:workspace_id])
              .select(:publisher_id)
          mine =
            @scope.db[:posts].where(
              workspace_id: Sequel[:showings][:workspace_id],
              id: Sequel[:showings][:post_id]
            ).where(Sequel.function(:coalesce, named, :owner_id) => @me)
          found = Posts::Visible.showings(@scope, @scope.rows(:showings)).where(Sequel[:showings][:state] => "by_hand")
          found.where(
            Sequel.|(
              { Sequel[:showings][:claimed_by] => @me },
              Sequel.&({ Sequel[:showings][:claimed_by] => nil }, mine.select(1).exists)
            )
          )
        end

        def posts
          Posts::Visible.narrow(@scope, @scope.rows(:posts))
        end

        # @return [Hash{Symbol=>Sequel::Dataset}] every kind, by its name
        def all
          {
            asked: asked,
            tasks: tasks,
            for_nobody: for_nobody,
            to_ask: to_ask,
            came_back: came_back,
            opened: opened,
            by_hand: by_hand
          }
        end

        TABLES = {
          asked: :ask_lines,
          tasks: :tasks,
          for_nobody: :posts,
          to_ask: :posts,
          came_back: :posts,
          opened: :posts,
          by_hand: :showings
        }.freeze

        # @return [Hash{String=>Hash{Symbol=>Integer}}] by client, how many of each kind; in one statement
        def counts
          counted
            .all
            .group_by { |row| row[:workspace_id] }
            .transform_values { |rows| rows.to_h { |row| [row[:kind].to_sym, row[:count]] } }
        end

        # @return [Sequel::Dataset] kind, client and how many
        def counted
          parts =
            all.map do |kind, rows|
              id = Sequel[TABLES.fetch(kind)][:workspace_id]
              rows.select(
                Sequel.cast(kind.to_s, :text).as(:kind),
                id.as(:workspace_id),
                Sequel.function(:count).*.as(:count)
              ).group(id)
            end
          @scope.db.from(parts.reduce { |one, more| one.union(more, all: true, from_self: false) }.as(:found))
        end

        private

        # What somebody has said on a line.
        def answered
          @scope.db[:answers].where(
            Sequel[:answers][:workspace_id] => Sequel[:ask_lines][:workspace_id],
            :line_id => Sequel[:ask_lines][:id],
            Sequel[:answers][:person_id] => Sequel[:ask_people][:person_id]
          )
        end

        # Nobody is waited for where nobody can answer.
        def answerable(lines)
          lines.exclude(
            Sequel[:ask_lines][:post_id] => @scope.rows(:posts).where(:waits_for_nobody).select(Sequel[:posts][:id])
          )
        end

        # Lines about posts that the reader sees.
        def seen(lines)
          @scope.limits.empty? ? lines : lines.where(Sequel[:ask_lines][:post_id] => posts.select(Sequel[:posts][:id]))
        end
      end
    end
  end
end
