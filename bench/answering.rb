# frozen_string_literal: true

require_relative "crowd"
require_relative "figures"

module Bench
  # 200 approvers of one client answer 2,000 posts at once, ten each, over as many connections as a web process has;
  # against bare inserts and updates of the same rows, a transaction for each answer too, over as many connections.
  # Then it is looked whether anything was lost or done twice, and whether one after the other ends the same.
  class Answering
    APPROVERS = 200
    POSTS = 2_000
    THREADS = 12
    ALONE = 200 # posts that are answered one after the other

    def initialize(cluster)
      @world = SpecWorld.new(cluster: cluster)
      @owner = @world.owner
      @environment = @world.environment.dup
      @environment.db = AskFirst::Store::Database.connect(@world.settings.web_url, pool: THREADS)
      Que.connection = @environment.db
    end

    def call
      puts "\n#{APPROVERS} approvers answer #{POSTS} posts at once"
      people = approvers
      posts = asked(people)
      alone = posts.pop(ALONE)
      lines = @owner[:ask_lines].where(post_id: posts + alone).select_hash(:post_id, :id)
      work = posts.each_with_index.map { |post, at| [people[at % APPROVERS], lines.fetch(post)] }
      ours = POSTS / seconds(work) { |person, line| answer(person, line) }
      floor = POSTS / seconds(posts) { |post| bare(post) }
      Figures.line("answers a second", ours, floor, " ")
      alone.each_with_index { |post, at| answer(people[at], lines.fetch(post)) }
      compare(posts, alone)
    end

    private

    def approvers
      like = @world.person(:odile)
      Array.new(APPROVERS) do |at|
        id = AskFirst::Core::Uuid.v7(@environment.now)
        again(:people, { id: like }, id: id, name: "Approver #{at}", email: "approver#{at}@quillmere.example")
        membership = { id: AskFirst::Core::Uuid.v7(@environment.now), person_id: id }
        again(:memberships, { workspace_id: @world.workspace, person_id: like }, **membership)
        id
      end
    end

    # A row once more, with other values in some columns.
    def again(table, row, **other)
      columns = @owner[table].columns
      type = ->(column) { %i[id person_id].include?(column) ? :uuid : :text }
      cast = other.to_h { |column, value| [column, Sequel.cast(value, type.call(column))] }
      @owner[table].insert(columns, @owner[table].where(row).select(*columns.map { |one| cast.fetch(one, one) }))
    end

    # @return [Array<String>] ids of posts that wait for any one of them
    def asked(people)
      post = @world.draft(picture: false, channels: [:ticker])
      @world.ask(post, 0)
      @world.answer(post, :wren)
      ask = @world.ask(post, 1)
      rows = people.map { |id| { workspace_id: @world.workspace, ask_id: ask, person_id: id } }
      @owner[:ask_people].multi_insert(rows)
      @shown = @world.shown(post).values.first
      crowd = Crowd.new(@owner)
      crowd.multiply(post, POSTS + ALONE)
      crowd.ids(post, POSTS + ALONE)
    end

    def answer(person, line)
      row = AskFirst::Store::People::Members.find(@environment.db, person, @world.workspace, @environment.now)
      member = AskFirst::App::Member.from_row(row)
      shown = @owner[:ask_line_adaptations].where(line_id: line).select_map(:adaptation_id).to_h { |id| [id, @shown] }
      AskFirst::App::Signoff::AnswerAsk.call(@environment, member, line_id: line, verdict: "yes", shown: shown)
    end

    # What one answer leaves, written with nothing read or weighed.
    def bare(post)
      @environment.db.transaction do
        @environment.db.get(Sequel.function(:set_config, "app.workspaces", "{#{@world.workspace}}", true))
        WRITTEN.each { |sql| @environment.db[sql, post: post].all }
      end
    end

    # The rows of the answer that is there, once more beside it where they are only added, again where they are changed.
    ANSWER =
      %w[line_id step_id post_id adaptation_id person_id given_by verdict words room fingerprint stood] +
        %w[wall zone eligible author given_at].freeze
    RECORD = %w[at act person_id post_id revision_id facts].freeze
    NOTICE = %w[person_id kind post_id words at due_at].freeze
    more = ->(table, columns, which) do
      "INSERT INTO #{table} (workspace_id, id, #{columns.join(", ")}) SELECT workspace_id, gen_random_uuid(), " \
        "#{columns.join(", ")} FROM #{table} WHERE post_id = :post AND #{which} RETURNING id"
    end
    LAST = "order_no = (SELECT max(order_no) FROM record WHERE post_id = :post)"
    FIRST = "id = (SELECT min(id::text)::uuid FROM notices WHERE post_id = :post)"
    LINES = "line_id IN (SELECT id FROM ask_lines WHERE post_id = :post)"
    WRITTEN = [
      more.call("answers", ANSWER, "room = 'client'"),
      more.call("record", RECORD, LAST),
      more.call("notices", NOTICE, FIRST),
      "UPDATE ask_line_adaptations SET ended_as = ended_as WHERE #{LINES} RETURNING line_id",
      "UPDATE ask_lines SET ended_at = ended_at WHERE post_id = :post RETURNING id",
      "UPDATE adaptations SET stage = stage WHERE post_id = :post RETURNING id",
      "UPDATE posts SET stage = stage WHERE id = :post RETURNING id"
    ].freeze
    private_constant :ANSWER, :RECORD, :NOTICE, :LAST, :FIRST, :LINES, :WRITTEN

    # @return [Float] seconds until all is done, by THREADS at once
    def seconds(work)
      queue = ::Queue.new
      work.each { |one| queue << one }
      queue.close
      Figures.ms { Array.new(THREADS) { Thread.new { run(queue) { |one| yield(*one) } } }.each(&:join) } / 1_000
    end

    def run(queue)
      while (one = queue.pop)
        yield one
      end
    end

    def compare(posts, alone)
      together, after =
        [posts, alone].map { |ids| @owner[:posts].where(id: ids).group_and_count(:stage).to_hash(:stage, :count) }
      open = @owner[:ask_lines].where(post_id: posts + alone, ended_at: nil).count
      puts "at once #{together}, one after the other #{after}, lines that are still open: #{open}"
    end
  end
end
