# frozen_string_literal: true

require_relative "../../bench/crowd"

# Rounds of sending under fire: posts that are due, two dispatchers that are killed and frozen at random moments, a
# worker that is killed beside them, a database that goes away, a network with faults, a person who takes back and
# holds. Then three lists are compared: what was released, what is at the network, what the application says; and the
# mails of the round are counted.
class Campaign
  POSTS = 24
  FAULTS = %w[hang_after_accepting bad_gateway_after_accepting busy broken slow show_late no_address].freeze
  MAILS = 3
  Result =
    Struct.new(:starts, :rounds, :kills, :workers, :freezes, :restarts, :sent, :trouble, :wrong, keyword_init: true)

  # @param cluster [Setup::Cluster] of its own: it is restarted
  # @param keepers [Integer] dispatchers; one that was killed comes back after growing waits, so more of them can be
  # killed more often
  def initialize(world, cluster, random, keepers: 2)
    @world = world
    @cluster = cluster
    @random = random
    @result =
      Result.new(starts: 0, rounds: 0, kills: 0, workers: 0, freezes: 0, restarts: 0, sent: 0, trouble: 0, wrong: [])
    @count = keepers
  end

  # @param starts [Integer] how often all of them first begin on a database on which nothing has run
  # @yieldreturn [Boolean] whether another round is wanted, asked with the result so far
  # @return [Result]
  def call(starts: 1)
    starts.times { first_start }
    @worker = keeper("worker", 0)
    round while yield(@result)
    @result
  ensure
    stop(*@keepers, *@worker)
  end

  private

  def db = @world.owner

  def keeper(name, number)
    Process.spawn(
      @world.variables,
      "ruby",
      "bin/#{name}",
      chdir: Setup::ROOT,
      pgroup: true,
      out: [Infrastructure.log("kill-#{name}-#{number}"), "a"],
      err: %i[child out]
    )
  end

  # All at once, and killed at any moment until one of them has begun: the database is never taken for one that was
  # brought back.
  def first_start
    stop(*@keepers)
    as_new
    @keepers = Array.new(@count) { |n| keeper("dispatcher", n) }
    calm = Time.now + 12 # one that is killed comes back after growing waits
    until (begun = db[:lineage].get(:cluster)) || Time.now > calm + 60
      sleep @random.rand
      kill if Time.now < calm
    end
    sleep 1
    @result.starts += 1
    @result.kills = 0 # those of the rounds are counted
    @result.wrong << ["no dispatcher began"] unless begun
    @result.wrong << ["a new database was taken for another one", db[:returns].select_map(:why)] if db[:returns].any?
  end

  # As it was when it was made: nothing has run on it, and nothing lies outside.
  def as_new
    db[:lineage].update(cluster: nil)
    db[:watermarks].delete
    FileUtils.rm_f(@world.settings.watermark)
  end

  def stop(*pids)
    Process.kill("TERM", *pids) if pids.any?
    pids.each { |pid| Process.wait(pid) }
  end

  def round
    @result.rounds += 1
    posts = released
    @invited = Array.new(MAILS) { "kill#{SecureRandom.hex(4)}@fernhollow.example" }
    under_fire(posts)
    calm
    settle(posts)
    compare(posts)
    count_mails
  end

  # Released by the act, then as many copies as a round has, all due at one second.
  def released
    first =
      @world.draft(channels: [:ticker], wall: nil, picture: false, text: "Round #{@result.rounds}: the 7:20 waits.")
    @world.write(first, "time", at(60).to_h, who: :ines)
    @world.clear(first)
    @world.write(first, "time", at(4).to_h, who: :ines)
    @world.release(first)
    crowd = Bench::Crowd.new(db)
    crowd.multiply(first, POSTS - 1)
    @gone = []
    [first, *crowd.ids(first, POSTS - 1)]
  end

  def at(seconds) = AskFirst::Core::Plan::WallTime.at(Time.now.utc + seconds, "Europe/Lisbon")

  def under_fire(posts)
    due = db[:releases].where(post_id: posts).max(:at)
    FAULTS
      .sample(3, random: @random)
      .each do |kind|
        @world.world.control(
          "ticker/faults",
          { handle: "quillmere", kind: kind, seconds: 1 + @random.rand(2), times: 2 }
        )
      end
    sleep [due - Time.now - 0.5, 0].max
    invite
    until Time.now > due + 5
      sleep @random.rand * 0.5
      one_blow(posts)
    end
  end

  def one_blow(posts)
    case @random.rand(12)
    when 0..4
      kill
    when 5..6
      kill_worker
    when 7..8
      freeze_one
    when 9
      take_back(posts.sample(random: @random))
    when 10
      hold
    else
      restart if @random.rand(3).zero?
    end
  rescue Sequel::DatabaseError, AskFirst::Core::Error
    nil # the database is away, or it was too late
  end

  def dispatcher(keeper = @keepers.sample(random: @random)) =
    IO.popen(["pgrep", "-P", keeper.to_s], &:read).split.first&.to_i

  # Some of them at once, or all.
  def kill
    @keepers
      .sample(1 + @random.rand(@keepers.size), random: @random)
      .each do |keeper|
        Process.kill("KILL", dispatcher(keeper) || next)
        @result.kills += 1
      rescue Errno::ESRCH
        next
      end
  end

  # In the middle of its mails, or of nothing.
  def kill_worker
    Process.kill("KILL", dispatcher(@worker) || return)
    @result.workers += 1
  rescue Errno::ESRCH
    nil
  end

  def invite
    role = db[:roles].where(name: "assistant").get(:id)
    again { @world.act("People::Invite", :ines, addresses: @invited.join("\n"), role_id: role) }
  end

  # A mail whose worker was killed comes once more, at worst; never not at all.
  def count_mails
    box = ->(to) { JSON.parse(Net::HTTP.get(URI("#{Infrastructure.stand_ins[:url]}/mail/#{to}.json"))).size }
    deadline = Time.now + 60
    sleep 0.3 until @invited.all? { |to| box.call(to).positive? } || Time.now > deadline
    lost = @invited.select { |to| box.call(to).zero? }
    @result.wrong << ["a mail was lost", lost] if lost.any?
  end

  def freeze_one
    pid = dispatcher or return
    Process.kill("STOP", pid)
    @result.freezes += 1
    sleep @random.rand * 6
  rescue Errno::ESRCH
    nil # it was killed in between
  ensure
    wake(pid)
  end

  def wake(pid)
    Process.kill("CONT", pid) if pid
  rescue Errno::ESRCH
    nil
  end

  # What the act says that it did holds: it must not be at the network afterwards.
  def take_back(post)
    @world.act("Dispatch::TakeBack", :ines, post_id: post)
    @gone << post
  end

  def hold
    id = @world.act("Signoff::Hold", :ines, reason: "Fire")
    sleep @random.rand
  ensure
    again { @world.act("Signoff::LiftHold", :ines, hold_id: id) } if id
  end

  def restart
    @cluster.restart
    @result.restarts += 1
    [@world.environment, @world.jobs].each { |environment| environment.db.disconnect }
    db.disconnect
  end

  def calm
    @world.world.control("ticker/no-faults", {})
    again { db[:holds].where(lifted_at: nil).update(lifted_at: Time.now, lifted_by: @world.person(:ines)) }
    again { db[:channels].where(network: "Ticker", state: "lapsed").update(state: "connected") }
  end

  def again
    yield
  rescue Sequel::DatabaseError
    sleep 0.3
    retry
  end

  def settle(posts)
    deadline = Time.now + 90
    live = ->(states) { again { db[:showings].where(post_id: posts, state: states).exclude(due_at: nil).count } }
    sleep 0.3 until live.call(%w[planned sending unclear]).zero? || Time.now > deadline
  end

  def compare(posts)
    there =
      JSON
        .parse(Net::HTTP.get(URI("#{Infrastructure.stand_ins[:url]}/control/ticker/quillmere/posts")))
        .group_by { |one| one["send_id"] }
    again { db[:showings].where(post_id: posts).all }.each do |showing|
      release = db[:releases].where(showing_id: showing[:id]).order(Sequel.desc(:released_at)).first
      at_network = there.fetch(AskFirst::Core::Dispatch::SendId.for(showing[:id]), [])
      @result.sent += at_network.size
      @result.trouble += 1 if showing[:state] == "trouble"
      fault = fault(showing, release, at_network)
      next unless fault

      @result.wrong << [
        fault,
        showing.slice(:id, :state, :trouble, :try_no),
        db[:attempts].where(showing_id: showing[:id]).order(:order_no).select_map(%i[event note])
      ]
    end
  end

  def fault(showing, release, at_network)
    return "twice" if at_network.size > 1
    return "early" if at_network.any? { |one| Time.iso8601(one["at"]) < release[:at] }
    return "out though it was taken back" if @gone.include?(showing[:post_id]) && at_network.any?
    return "said to be out, and is not" if showing[:state] == "out" && at_network.empty?
    return "out, and not known" if at_network.any? && !%w[out trouble].include?(showing[:state])

    "lost" if release[:ended_at].nil? && !%w[out trouble].include?(showing[:state])
  end
end
