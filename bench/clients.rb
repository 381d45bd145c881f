# frozen_string_literal: true

require_relative "figures"
require_relative "many_clients"

module Bench
  # 200 clients with 300 posts each: the Desk, the lists, the switcher and search over all of them, as the web role
  # with its row-level policies; against the same rows by bare SQL, and against the very same statements without the
  # policies.
  class Clients
    App = AskFirst::App
    CLIENTS = 200
    POSTS = 300
    LATERAL =
      "SELECT p.* FROM unnest(:w) w(id) CROSS JOIN LATERAL (SELECT * FROM posts WHERE workspace_id = w.id ORDER BY " \
        "id DESC LIMIT 51) p ORDER BY p.id DESC LIMIT 51"
    IN_MONTH = <<~SQL
      SELECT json_agg(t)::text AS json FROM (
        SELECT p.*, c.id AS channel_id, c.network, c.initials, c.name, coalesce(own.value, master.value) AS time
        FROM posts p
        JOIN adaptations a ON (a.workspace_id, a.post_id) = (p.workspace_id, p.id) AND a.removed_at IS NULL
        JOIN channels c ON (c.workspace_id, c.id) = (a.workspace_id, a.channel_id)
        LEFT JOIN parts own ON (own.workspace_id, own.post_id, own.channel_id, own.part) = (p.workspace_id, p.id, c.id, 'time')
        LEFT JOIN parts master ON (master.workspace_id, master.post_id, master.part) = (p.workspace_id, p.id, 'time')
          AND master.channel_id IS NULL
        WHERE p.workspace_id = ANY(:w) AND p.at BETWEEN :from AND :to ORDER BY p.at LIMIT 3000) t
    SQL
    WITH_CHANNELS = <<~SQL
      SELECT json_agg(t)::text AS json FROM (
        SELECT p.*, (SELECT json_agg(c) FROM (
          SELECT c.network, c.initials, c.name, c.state, a.stage FROM adaptations a
          JOIN channels c ON (c.workspace_id, c.id) = (a.workspace_id, a.channel_id)
          WHERE (a.workspace_id, a.post_id) = (p.workspace_id, p.id) AND a.removed_at IS NULL) c) AS channels
        FROM posts p WHERE p.workspace_id = :w ORDER BY p.id DESC LIMIT 51) t
    SQL

    def initialize(cluster)
      @world = SpecWorld.new(cluster: cluster)
      @owner = @world.owner
      @many = ManyClients.new(cluster, @world)
    end

    def call
      two = scope(@world.environment.db)
      few = statements { App::Agency::Desk.call(@world.environment, two) }
      fill
      all = scope(@world.environment.db)
      puts "\n#{all.workspace_ids.size} clients, #{@owner[:posts].count} posts: over all of them at once"
      puts format(
             "%-46s %9d       with two clients %d",
             "statements of one Desk",
             statements { App::Agency::Desk.call(@world.environment, all) },
             few
           )
      desk(all)
      list(all)
      search(all)
      waits(all)
      month(all)
      policies(all)
    end

    private

    # A post in each state that the Desk asks about, then the crowd of them, then the clients.
    def fill
      waiting = @world.draft
      @world.ask(waiting, 0, who: :tobiah)
      cleared = @world.draft(text: "Low water at the far pier")
      @world.clear(cleared)
      released = @world.draft(text: "The late boat waits")
      @world.clear(released)
      @world.release(released)
      crowd = Crowd.new(@owner)
      { waiting => 10, cleared => 40, released => POSTS - 53 }.each { |post, count| crowd.multiply(post, count) }
      @many.multiply(@world.workspace, CLIENTS - 2)
    end

    def scope(db, person = :ines)
      rows =
        AskFirst::Store::People::Members.of_person(@world.environment.db, @world.person(person), @world.environment.now)
      AskFirst::Store::Scope.new(
        db,
        workspace_ids: rows.map { |row| row[:workspace_id] },
        person_id: @world.person(person),
        side: "agency"
      )
    end

    def statements
      log = StringIO.new
      logger = Logger.new(log)
      @world.environment.db.loggers << logger
      yield
      log.string.lines.count { |line| line.include?("SELECT") }
    ensure
      @world.environment.db.loggers.delete(logger)
    end

    def bare(sql, **values)
      Figures.median_ms(15) { @owner.fetch(sql, **values).get(:json) }
    end

    # The same, through the policies that ours goes through.
    def behind_policies(scope, sql, **values)
      Figures.median_ms(30) { scope.transaction { scope.db.fetch(sql, **values).get(:json) } }
    end

    def ids(scope) = Sequel.pg_array(scope.workspace_ids, :uuid)

    def desk(scope)
      ours = Figures.median_ms(15) { JSON.generate(App::Agency::Desk.call(@world.environment, scope)) }
      floor = bare(<<~SQL, w: ids(scope), me: scope.person_id)
        SELECT json_build_object(
          'cleared', (SELECT json_agg(t) FROM (SELECT p.* FROM unnest(:w) w(id) CROSS JOIN LATERAL (SELECT * FROM posts WHERE workspace_id = w.id AND stage = 'cleared' ORDER BY at LIMIT 30) p ORDER BY p.at LIMIT 30) t),
          'count', (SELECT count(*) FROM posts WHERE workspace_id = ANY(:w) AND stage = 'cleared'),
          'asked', (SELECT json_agg(t) FROM (SELECT p.*, a.due_at, q.person_id FROM ask_lines l JOIN ask_people q USING (workspace_id, ask_id) JOIN asks a ON (a.workspace_id, a.id) = (l.workspace_id, l.ask_id)
                     JOIN posts p ON (p.workspace_id, p.id) = (l.workspace_id, l.post_id) WHERE l.workspace_id = ANY(:w) AND l.ended_at IS NULL) t))::text AS json
      SQL
      Figures.line("the Desk", ours, floor, "ms")
    end

    def list(scope)
      ours = Figures.median_ms(15) { JSON.generate(App::Posts::ListPosts.call(scope)) }
      Figures.line(
        "a page of posts, newest first",
        ours,
        bare("SELECT json_agg(t)::text AS json FROM (#{LATERAL}) t", w: ids(scope)),
        "ms"
      )
      one =
        AskFirst::Store::Scope.new(
          @world.environment.db,
          workspace_ids: [@world.workspace],
          person_id: scope.person_id,
          side: "agency"
        )
      ours = Figures.median_ms(30) { JSON.generate(App::Posts::ListPosts.call(one)) }
      Figures.line("the same of one client", ours, behind_policies(one, WITH_CHANNELS, w: @world.workspace), "ms")
    end

    def search(scope)
      ours = Figures.median_ms(15) { JSON.generate(App::Posts::ListPosts.call(scope, words: "low water")) }
      floor = bare(<<~SQL, w: ids(scope))
        SELECT json_agg(t)::text AS json FROM (SELECT DISTINCT p.* FROM posts p LEFT JOIN parts t ON (t.workspace_id, t.post_id) = (p.workspace_id, p.id) AND t.part = 'text'
          WHERE p.workspace_id = ANY(:w) AND (p.subject ILIKE '%low water%' OR (t.value #>> '{}') ILIKE '%low water%') ORDER BY p.id DESC LIMIT 51) t
      SQL
      Figures.line("finding posts by words", ours, floor, "ms")
    end

    def waits(scope)
      ours = Figures.median_ms(15) { JSON.generate(App::Agency::Waits.call(scope)) }
      counted = AskFirst::Store::Agency::Waiting.new(scope).counted.sql
      floor = behind_policies(scope, "SELECT json_agg(t)::text AS json FROM (#{counted}) t")
      Figures.line("what waits in each client, for the switcher", ours, floor, "ms")
    end

    # What goes out in one month, channel by channel, of one client and of all.
    def month(scope)
      at = @owner[:posts].where(workspace_id: @world.workspace).max(:at)
      one =
        AskFirst::Store::Scope.new(
          @world.environment.db,
          workspace_ids: [@world.workspace],
          person_id: scope.person_id,
          side: "agency"
        )
      { "a month of one client" => one, "a month of all clients" => scope }.each do |what, who|
        ours =
          Figures.median_ms(15) do
            JSON.generate(App::Plan::Period.month(@world.environment, who, month: at.strftime("%Y-%m")))
          end
        first = Time.utc(at.year, at.month, 1)
        floor = behind_policies(who, IN_MONTH, w: ids(who), from: first - (7 * 86_400), to: first + (38 * 86_400))
        Figures.line(what, ours, floor, "ms")
      end
      week(scope, at)
    end

    # The month and the channels of one client are the same read; a week is looked at over all of them.
    def week(scope, at)
      ours =
        Figures.median_ms(15) do
          JSON.generate(App::Plan::Period.week(@world.environment, scope, day: at.strftime("%F")))
        end
      monday = Time.utc(at.year, at.month, at.day) - (((at.wday - 1) % 7) * 86_400)
      floor = behind_policies(scope, IN_MONTH, w: ids(scope), from: monday - 86_400, to: monday + (8 * 86_400))
      Figures.line("a week of all clients", ours, floor, "ms")
    end

    # The same code on a connection that the policies do not hold for.
    def policies(scope)
      open =
        AskFirst::Store::Scope.new(
          @owner,
          workspace_ids: scope.workspace_ids,
          person_id: scope.person_id,
          side: "agency"
        )
      free = @world.environment.dup.tap { |environment| environment.db = @owner }
      puts "\nThe second wall: the same statements with its policies and without"
      {
        "a page of posts over all clients" => ->(_, one) { App::Posts::ListPosts.call(one) },
        "the Desk over all clients" => ->(environment, one) { App::Agency::Desk.call(environment, one) },
        "finding posts by words" => ->(_, one) { App::Posts::ListPosts.call(one, words: "low water") }
      }.each do |what, act|
        Figures.line(
          what,
          Figures.median_ms(15) { act.call(@world.environment, scope) },
          Figures.median_ms(15) { act.call(free, open) },
          "ms"
        )
      end
    end
  end
end
