# frozen_string_literal: true

require "etc"
require "net/http"
require_relative "beside"
require_relative "figures"

module Bench
  # Posts that are due in one second, 100 and 1,000: how late they go out, with one dispatcher a core, a worker and the
  # network stand-in on the same machine; beside it the floor of the network itself, the same creates by a bare client.
  # Then how late the same are while the worker has its hands full (Beside), against a worker that has nothing to do, in
  # turns. And how many are released a second.
  class Dispatching
    COUNTS = [100, 1_000].freeze
    ROUNDS = { 100 => 3, 1_000 => 1 }.freeze # of each kind
    SHARES = { "median" => 0.5, "99th" => 0.99, "the last" => 1.0 }.freeze
    PROCESSES = Etc.nprocessors
    CLIENTS = 8 # threads of the bare client
    BEFORE = 8 # seconds before the minute at which the other work begins

    def initialize(cluster)
      @world = SpecWorld.new(cluster: cluster, clock: AskFirst::Edge::Clock.new, ASK_FIRST_PRIVATE_HOSTS: Beside.hosts)
      @owner = @world.owner
      @beside = Beside.new(@world)
    end

    def call
      alone
      beside_other_work
    end

    def alone
      puts "\nDispatching posts that are due in one second (text only, one network, #{PROCESSES} dispatchers, one " \
             "worker, stand-in included)"
      COUNTS.each { |count| one(count) }
    end

    def beside_other_work
      puts "\nThe same beside films, renditions, feeds, mails and a batch of 300; floor: a worker with nothing to do"
      @beside.prepare
      COUNTS.each { |count| beside(count) }
    end

    private

    def one(count)
      posts = prepare(count)
      released = releasing(posts)
      late = dispatching(posts)
      floor = bare_network(count)
      puts format("%-58s %9.1f a second", "#{count}: released (checks, revision, record)", released)
      SHARES.each do |name, share|
        Figures.line("#{count}: lateness, #{name}", Figures.quantile(late, share), Figures.quantile(floor, share), "s")
      end
    end

    def beside(count)
      busy = []
      quiet = []
      ROUNDS
        .fetch(count)
        .times do |round|
          quiet.concat(round(count))
          busy.concat(round(count) { @beside.begin(round.even? ? 1 : -1) })
        end
      SHARES.each do |name, share|
        Figures.line(
          "#{count} beside: lateness, #{name}",
          *[busy, quiet].map { |one| Figures.quantile(one, share) },
          "s"
        )
      end
    end

    def round(count, &other)
      posts = prepare(count)
      releasing(posts)
      @owner[:que_jobs].where(queue: "default").delete
      dispatching(posts, &other)
    end

    # Cleared, and not released yet; what an earlier round left is out of the way.
    def prepare(count)
      post =
        @world.draft(
          channels: [:ticker],
          picture: false,
          wall: nil,
          text: "Number #{count}: when fog sits on the estuary, the 7:20 waits."
        )
      @world.write(
        post,
        "time",
        AskFirst::Core::Plan::WallTime.at(Time.now.utc + 240, "Europe/Lisbon").to_h,
        who: :ines
      )
      @world.clear(post)
      crowd = Crowd.new(@owner)
      crowd.multiply(post, count)
      crowd.ids(post, count)
    end

    def releasing(posts)
      started = Process.clock_gettime(Process::CLOCK_MONOTONIC)
      posts.each_slice(AskFirst::App::Dispatch::ReleaseMany::MOST) do |some|
        @world.act("Dispatch::ReleaseMany", :ines, post_ids: some)
      end
      posts.size / (Process.clock_gettime(Process::CLOCK_MONOTONIC) - started)
    end

    # Moved to one moment by SQL, since moving a thousand by hand is not what is measured.
    # @yield shortly before that moment: other work begins
    def dispatching(posts, &block)
      due = Time.now.utc.round + 18
      wall = AskFirst::Core::Plan::WallTime.at(due, "Europe/Lisbon")
      @owner[:parts].where(post_id: posts, part: "time").update(value: AskFirst::Store::Database.jsonb(wall.to_h))
      @owner[:releases].where(post_id: posts).update(at: due, wall: wall.wall)
      pids = Array.new(PROCESSES) { keep("dispatcher") } + [keep("worker")]
      other(due, &block) if block_given?
      waiting = -> { @owner[:showings].where(post_id: posts, state: "out").count < posts.size }
      sleep 0.5 while waiting.call && Time.now - due < 240
      puts "  #{@beside.left} jobs are left" if block_given?
      late(posts, due)
    ensure
      Process.kill("TERM", *pids)
      pids.each { |pid| Process.wait(pid) }
    end

    def other(due)
      sleep [due - BEFORE - Time.now, 0].max
      yield
    end

    def late(posts, due)
      @owner[:attempts]
        .where(event: "sent", showing_id: @owner[:showings].where(post_id: posts).select(:id))
        .select_map(:at)
        .map { |at| at - due }
    end

    def keep(name)
      Process.spawn(
        @world.variables,
        "ruby",
        "bin/#{name}",
        chdir: Setup::ROOT,
        pgroup: true,
        out: [Infrastructure.log("bench"), "a"],
        err: %i[child out]
      )
    end

    # The same creates over connections that stay open, by as many threads as a dispatcher has senders.
    def bare_network(count)
      channel = @owner[:channels].where(id: @world.channel(:ticker)).first
      token = @world.environment.secrets.open(@owner[:connections].where(id: channel[:connection_id]).get(:token))
      uri = URI(channel[:micropub])
      numbers = Queue.new
      count.times { |n| numbers << n }
      began = Process.clock_gettime(Process::CLOCK_MONOTONIC)
      ended = Queue.new
      Array
        .new(CLIENTS) do
          Thread.new { Net::HTTP.start(uri.host, uri.port) { |http| create(http, uri, token, numbers, ended, began) } }
        end
        .each(&:join)
      Array.new(ended.size) { ended.pop }
    end

    def create(http, uri, token, numbers, ended, began)
      loop do
        number = numbers.pop(true)
        body =
          JSON.generate(
            "type" => ["h-entry"],
            "properties" => {
              "content" => ["Bare #{number}"],
              "mp-send-id" => ["bare-#{SecureRandom.hex(8)}"]
            }
          )
        http.post(uri.path, body, "Content-Type" => "application/json", "Authorization" => "Bearer #{token}")
        ended << (Process.clock_gettime(Process::CLOCK_MONOTONIC) - began)
      end
    rescue ThreadError
      nil
    end
  end
end
