# frozen_string_literal: true

require_relative "../../bench/crowd"

# Kill any process at any moment: nothing is lost, nothing goes out twice, nothing goes out unapproved. The dispatcher
# runs as it does in production, under its keeper, on a durable database cluster of this spec's own.
RSpec.describe "The dispatcher, killed at the worst moment" do
  before(:all) do
    @cluster = Setup::Cluster.new("postgres-crash").ensure_running
    @world =
      SpecWorld.new(
        cluster: @cluster,
        clock: AskFirst::Edge::Clock.new,
        ASK_FIRST_LEASE: "3",
        ASK_FIRST_NETWORK_TIMEOUT: "1.5",
        ASK_FIRST_POLL: "0.1"
      )
    @keeper, @worker =
      %w[dispatcher worker].map do |name|
        Process.spawn(
          @world.variables,
          "ruby",
          "bin/#{name}",
          chdir: Setup::ROOT,
          pgroup: true,
          out: [Infrastructure.log(name), "w"],
          err: %i[child out]
        )
      end
  end

  after(:all) do
    Process.kill("TERM", @keeper, @worker)
    [@keeper, @worker].each { |pid| Process.wait(pid) }
    @world.db.disconnect
    @world.owner.disconnect
    @cluster.stop
  end

  before do
    Que.connection = own.db
    %w[ticker vitrine].each { |network| own.world.control("#{network}/no-faults", {}) }
  end

  def own = @world

  def due_in(seconds)
    AskFirst::Core::Plan::WallTime.at(Time.now.utc + seconds, "Europe/Lisbon")
  end

  # A post that is cleared and released for a moment from now.
  def released(seconds, network: :ticker)
    post = own.draft(channels: [network], wall: nil)
    own.write(post, "time", due_in(120).to_h, who: :ines)
    own.clear(post)
    own.write(post, "time", due_in(seconds).to_h, who: :ines)
    own.release(post)
    post
  end

  def showing(post) = own.owner[:showings].where(post_id: post).first

  def sent(post, network = :ticker)
    id = AskFirst::Core::Dispatch::SendId.for(showing(post)[:id])
    JSON
      .parse(Net::HTTP.get(URI("#{Infrastructure.stand_ins[:url]}/control/#{network}/quillmere/posts")))
      .select { |one| one["send_id"] == id }
  end

  def eventually(seconds = 90)
    deadline = Process.clock_gettime(Process::CLOCK_MONOTONIC) + seconds
    loop do
      value =
        begin
          yield
        rescue Sequel::DatabaseError
          nil
        end
      return value if value

      if Process.clock_gettime(Process::CLOCK_MONOTONIC) > deadline
        raise "it did not happen within #{seconds} s; the dispatcher said: " \
                "#{File.readlines(Infrastructure.log("dispatcher")).last(5).join}"
      end

      sleep 0.05
    end
  end

  def inner_pid
    IO.popen(["pgrep", "-P", @keeper.to_s], &:read).split.first&.to_i
  end

  it "sends what is due, once" do
    post = released(2)
    eventually { showing(post)[:state] == "out" }
    expect(sent(post).size).to eq 1
    expect(showing(post)[:sent_at]).to be >= own.db[:releases].where(post_id: post).get(:at)
  end

  it "killed between the network's yes and the record of it, asks the network and does not send twice" do
    own.world.control("ticker/faults", { handle: "quillmere", kind: "hang_after_accepting", seconds: 6 })
    post = released(2)
    eventually { sent(post).size == 1 } # the network has it, and has not answered yet
    expect(showing(post)[:state]).to eq "sending"
    Process.kill("KILL", inner_pid)
    eventually { showing(post)[:state] == "out" }
    expect(sent(post).size).to eq 1
    expect(
      own.db[:attempts].where(showing_id: showing(post)[:id]).order(:order_no).select_map(:event).last
    ).to eq "found"
  end

  it "on a network that times out after accepting, finds the post there and does not send twice" do
    own.world.control("ticker/faults", { handle: "quillmere", kind: "hang_after_accepting", seconds: 4 })
    post = released(2)
    eventually { showing(post)[:state] == "out" }
    expect(sent(post).size).to eq 1
    expect(own.db[:attempts].where(showing_id: showing(post)[:id]).select_map(:event)).to include "unclear", "found"
  end

  it "does not send what a change came in for between release and sending" do
    post = released(2)
    own.answer(post, :per, "change", "The pier is closed")
    sleep 4
    expect(sent(post)).to eq []
    expect(own.stage(post)).to eq "changes_wanted"
  end

  it "sends at its minute while more pages do not answer than it has workers" do
    # each job waits for two pages, as long as the reader's patience lasts
    AskFirst::Jobs::Worker::WORKERS.times do |n|
      own.draft(
        channels: [:ticker],
        wall: nil,
        text: "Look at http://quillmere.example/slow?#{n} and http://quillmere.example/slow?#{n}b"
      )
    end
    slow = own.owner[:que_jobs].where(job_class: "AskFirst::Jobs::LookAtLinks")
    post = released(2)
    eventually { showing(post)[:state] == "out" }
    # it went before any of them had its pages
    sent_at = showing(post)[:sent_at]
    expect(sent_at).to be >= own.db[:releases].where(post_id: post).get(:at)
    expect(slow.exclude(finished_at: nil).where { finished_at < sent_at }.count).to eq 0
    expect(slow.where(finished_at: nil).count).to be_positive
    slow.delete
  end

  # The pid of the dispatcher itself, under its keeper.
  def inner(keeper) = IO.popen(["pgrep", "-P", keeper.to_s], &:read).split.first&.to_i

  def another
    Process.spawn(
      own.variables,
      "ruby",
      "bin/dispatcher",
      chdir: Setup::ROOT,
      pgroup: true,
      out: [Infrastructure.log("dispatcher-2"), "w"],
      err: %i[child out]
    )
  end

  it "when one of two is frozen, at whatever it is, the other sends what is due within ten seconds, and the one that " \
       "comes back sends nothing twice" do
    second = another
    eventually { own.owner[:dispatchers].where(stopped_at: nil).where { heartbeat_at > Time.now - 2 }.count == 2 }
    posts = Array.new(6) { released(3) }
    eventually { own.owner[:releases].where(post_id: posts.first).get(:at) <= Time.now }
    sleep rand * 0.2
    frozen = inner(second)
    Process.kill("STOP", frozen)
    posts.each { |post| eventually { showing(post)[:state] == "out" } }
    late =
      posts.map do |post|
        own.owner[:attempts].where(showing_id: showing(post)[:id], event: %w[sent found]).max(:at) -
          own.db[:releases].where(post_id: post).get(:at)
      end
    # what the frozen one had claimed waits for its lease and two looks; all else goes at once
    expect(late.min).to be < 10
    later = released(2)
    eventually { showing(later)[:state] == "out" }
    Process.kill("CONT", frozen)
    sleep 2
    expect([*posts, later].map { |post| sent(post).size }).to all eq(1)
  ensure
    # it may have ended by itself: the database had closed what it held
    IO.popen(["kill", "-CONT", frozen.to_s], err: File::NULL, &:read) if frozen
    Process.kill("TERM", second)
    Process.wait(second)
  end

  it "killed again and again inside a batch, sends each once" do
    first = released(8)
    Bench::Crowd.new(own.owner).multiply(first, 40)
    posts = [first, *Bench::Crowd.new(own.owner).ids(first, 40)]
    eventually { own.owner[:showings].where(post_id: posts).exclude(state: "planned").any? }
    4.times do
      pid = inner_pid
      Process.kill("KILL", pid) if pid
      eventually { inner_pid.to_i != pid.to_i && inner_pid }
      sleep 0.3 + (rand * 0.8)
    end
    eventually { own.owner[:showings].where(post_id: posts).exclude(state: "out").empty? }
    ids =
      own.owner[:showings].where(post_id: posts).select_map(:id).map { |id| AskFirst::Core::Dispatch::SendId.for(id) }
    there =
      JSON
        .parse(Net::HTTP.get(URI("#{Infrastructure.stand_ins[:url]}/control/ticker/quillmere/posts")))
        .map { |one| one["send_id"] }
        .tally
    expect(there.slice(*ids)).to eq(ids.to_h { |id| [id, 1] })
  end

  it "when PostgreSQL is restarted while posts are due, is up again by itself and sends each once" do
    posts = Array.new(4) { released(4) }
    eventually { own.owner[:releases].where(post_id: posts.last).get(:at) - Time.now < 0.4 }
    @cluster.restart # at once, without asking anybody: like a crash
    [own.environment, own.jobs].each { |environment| environment.db.disconnect }
    own.owner.disconnect
    posts.each { |post| eventually { showing(post)[:state] == "out" } }
    expect(posts.map { |post| sent(post).size }).to eq [1, 1, 1, 1]
  end
end
