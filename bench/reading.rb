# frozen_string_literal: true

require_relative "figures"

module Bench
  # One post sheet and the Desk with 20,000 posts in the database, against the same rows as JSON made by PostgreSQL
  # alone.
  class Reading
    POSTS = 20_000
    # the other posts whose words and times the checks look at, as rows
    AROUND = <<~SQL
      SELECT json_agg(t)::text AS json FROM (
        SELECT near.id, near.subject, a.channel_id, p.part, p.value FROM (
          SELECT * FROM posts WHERE workspace_id = :w AND at BETWEEN (SELECT at FROM posts WHERE id = :p) - interval '30 days'
            AND (SELECT at FROM posts WHERE id = :p) + interval '30 days' ORDER BY at DESC LIMIT 400) near
        JOIN adaptations a ON (a.workspace_id, a.post_id) = (:w, near.id)
        JOIN parts p ON (p.workspace_id, p.post_id) = (:w, near.id) AND p.part IN ('text', 'time')) t
    SQL

    def initialize(cluster)
      @world = SpecWorld.new(cluster: cluster)
      @owner = @world.owner
    end

    def call
      post = @world.draft
      @world.clear(post)
      waiting = @world.draft
      @world.ask(waiting, 0, who: :tobiah)
      crowd = Crowd.new(@owner)
      crowd.multiply(post, POSTS - 40)
      crowd.multiply(waiting, 38)
      crowd.scatter(3000, except: [])
      puts "\nReading with #{@owner[:posts].count} posts in the database"
      sheet(crowd.ids(post, POSTS - 40).sample(random: Random.new(1)))
      desk
    end

    private

    def sheet(post)
      ours = Figures.median_ms { JSON.generate(@world.act("Posts::PostSheet", :ines, post_id: post)) }
      tables = %i[
        adaptations
        parts
        revisions
        revision_adaptations
        ask_lines
        answers
        showings
        releases
        tasks
        remarks
        openings
        rulings
      ]
      selects =
        tables.map do |table|
          "'#{table}', (SELECT json_agg(t) FROM #{table} t WHERE workspace_id = :w AND post_id = :p)"
        end
      floor_sql =
        "SELECT json_build_object('post', (SELECT row_to_json(t) FROM posts t WHERE workspace_id = :w AND id = :p), " \
          "#{selects.join(", ")})::text AS json"
      floor = Figures.median_ms { @world.db.fetch(floor_sql, w: @world.workspace, p: post).get(:json) }
      Figures.line("one post sheet, two channels", ours, floor, "ms")
      around = Figures.median_ms { @world.db.fetch(AROUND, w: @world.workspace, p: post).get(:json) }
      Figures.line("the same, with what goes out around it in the floor", ours, floor + around, "ms")
    end

    def desk
      scope =
        AskFirst::Store::Scope.new(
          @world.environment.db,
          workspace_ids: [@world.workspace, @world.workspace(:brackwater)],
          person_id: @world.person(:wren),
          side: "agency"
        )
      ours = Figures.median_ms { JSON.generate(AskFirst::App::Agency::Desk.call(@world.environment, scope)) }
      floor_sql = <<~SQL
        SELECT json_build_object(
          'cleared', (SELECT json_agg(t) FROM (SELECT * FROM posts WHERE workspace_id = ANY(:w) AND stage = 'cleared' ORDER BY at LIMIT 30) t),
          'count', (SELECT count(*) FROM posts WHERE workspace_id = ANY(:w) AND stage = 'cleared'),
          'asked', (SELECT json_agg(t) FROM (SELECT p.*, a.due_at FROM ask_lines l JOIN ask_people q USING (workspace_id, ask_id) JOIN asks a ON (a.workspace_id, a.id) = (l.workspace_id, l.ask_id)
                     JOIN posts p ON (p.workspace_id, p.id) = (l.workspace_id, l.post_id) WHERE l.workspace_id = ANY(:w) AND l.ended_at IS NULL AND q.person_id = :me LIMIT 30) t))::text AS json
      SQL
      ids = Sequel.pg_array(scope.workspace_ids, :uuid)
      floor = Figures.median_ms { @world.db.fetch(floor_sql, w: ids, me: scope.person_id).get(:json) }
      Figures.line("the Desk over two clients", ours, floor, "ms")
    end
  end
end
