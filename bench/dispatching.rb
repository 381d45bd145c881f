# frozen_string_literal: true

require_relative "figures"

module Bench
  # 1,000 posts due in one second: how many are released and dispatched a second and how late, against the bare queue with
  # as many empty jobs in the same kind of process.
  class Dispatching
    COUNT = 1_000

    def initialize(cluster)
      @world = SpecWorld.new(cluster: cluster, clock: AskFirst::Edge::Clock.new)
      @owner = @world.owner
    end

    def call
      posts = prepare
      released = releasing(posts)
      @late = dispatching(posts)
      floor = bare_queue
      puts "\nDispatching #{COUNT} posts that are due in one second (text only, one network, one process, 6 workers)"
      puts format("%-46s %9.1f a second", "released (checks, revision, job, record)", released)
      Figures.line("dispatched and recorded: lateness, median", Figures.quantile(@late, 0.5), Figures.quantile(floor, 0.5), "s")
      Figures.line("dispatched and recorded: lateness, 99th", Figures.quantile(@late, 0.99), Figures.quantile(floor, 0.99), "s")
      Figures.line("the last one", @late.max, floor.max, "s")
    end

    private

    def prepare
      post = @world.draft(channels: [:ticker], picture: false, wall: nil)
      time = AskFirst::Core::Plan::WallTime.at(Time.now.utc + 180, "Europe/Lisbon").to_h
      @world.write(post, "time", time, who: :ines)
      @world.clear(post)
      crowd = Crowd.new(@owner)
      crowd.multiply(post, COUNT)
      crowd.ids(post, COUNT)
    end

    def releasing(posts)
      started = Process.clock_gettime(Process::CLOCK_MONOTONIC)
      posts.each { |post| @world.release(post) }
      COUNT / (Process.clock_gettime(Process::CLOCK_MONOTONIC) - started)
    end

    # Moved to one moment by SQL, since moving a thousand by hand is not what is measured.
    def dispatching(_posts)
      due = Time.now.utc.round + 8
      wall = AskFirst::Core::Plan::WallTime.at(due, "Europe/Lisbon")
      @owner[:parts].where(part: "time").update(value: AskFirst::Store::Database.jsonb(wall.to_h))
      @owner[:releases].update(at: due, wall: wall.wall)
      @owner[:que_jobs].where(job_class: "AskFirst::Jobs::AdvanceShowing").update(run_at: due)
      pid = Process.spawn(@world.environment, "ruby", "bin/dispatcher", chdir: Setup::ROOT, pgroup: true, out: [Infrastructure.log("bench"), "w"],
        err: %i[child out])
      waiting = -> { @owner[:showings].where(state: "out").count < COUNT }
      sleep 0.5 while waiting.call && Time.now - due < 240
      @owner[:attempts].where(event: "sent").select_map(:at).map { |at| at - due }
    ensure
      Process.kill("TERM", pid)
      Process.wait(pid)
    end

    def bare_queue
      @owner.run("DROP TABLE IF EXISTS bench_runs")
      @owner.run("CREATE TABLE bench_runs (late float8)")
      @owner.run("GRANT ALL ON bench_runs TO ask_first_jobs")
      @owner[:que_jobs].delete
      due = Time.now.utc.round + 8
      args = JSON.generate([due.to_f])
      @owner.run("INSERT INTO que_jobs (job_class, args, run_at, job_schema_version) SELECT 'EmptyJob', '#{args}'::jsonb, '#{due.iso8601}', 2 FROM generate_series(1, #{COUNT})")
      pid = Process.spawn(@world.environment, "ruby", "bench/bare_queue.rb", chdir: Setup::ROOT, out: [Infrastructure.log("bench"), "a"],
        err: %i[child out])
      sleep 0.5 while @owner[:bench_runs].count < COUNT && Time.now - due < 120
      @owner[:bench_runs].select_map(:late)
    ensure
      Process.kill("TERM", pid)
      Process.wait(pid)
    end
  end
end
