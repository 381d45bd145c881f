# frozen_string_literal: true

# Walks every history of one showing that is short enough: two dispatchers that may be frozen or killed between any two steps, one
# person who releases, takes back, changes, moves, holds and lifts, and a network with each of its faults. What moves is decided by the
# same values and functions that the dispatcher uses (Core::Dispatch::Moves, Clearance, Lease, Doubt); what is around them is a model.
# In every state the rules of the promise are asked.
class Walk
  Dispatch = AskFirst::Core::Dispatch
  TICK = 7.0 # seconds: longer than a beat may be missed, so that one tick makes a frozen dispatcher gone
  LEASE = 21.0
  TIMEOUT = 7.0
  SETTLE = 7.0
  START = 0.0

  Card = Struct.new(:finds_by_id, :same_id_once)
  Showing = Struct.new(:state, :try, :due, :over_at, :looks, :sender, :lease_until)
  Release = Struct.new(:number, :at, :content)
  # doing: :idle, :looked, :claimed or :replied · seen: the release that it looked at or claimed · reply: the network's
  Dispatcher = Struct.new(:doing, :try, :seen, :claimed_at, :claimed_beats, :again, :reply, :beat_at, :beats, :frozen)
  Left = Struct.new(:acts, :faults, :freezes, :kills)
  World = Struct.new(:now, :showing, :release, :content, :held, :a, :b, :shown_at, :left, :releases)
  Verdict = Struct.new(:held?, :release_stands?, :releasable?)
  # What each mend is; without one of them the walk finds the history that it was made for.
  MENDS = %i[moves_name_their_try claim_compares lease_binds looked_twice stays_unclear].freeze
  Broken = Class.new(StandardError)

  attr_reader :states

  # @param without [Symbol, nil] the mend that is taken out
  # @param left [Left] how often each may happen
  # @param ticks [Integer] how long the histories last
  def initialize(card, left:, ticks: 4, without: nil)
    @card = Card.new(*card)
    @left = left
    @last = START + (ticks * TICK)
    @without = without
  end

  # @return [String, nil] the first history that breaks the promise
  def call
    seen = { first => nil }
    queue = [first]
    until queue.empty?
      world = queue.shift
      following(world) do |label, after|
        next if seen.key?(after)

        seen[after] = [world, label]
        queue << after
      end
    end
    @states = seen.size
    nil
  rescue Broken => e
    @states = seen.size
    "#{e.message}: #{history(seen, @at)} · #{@step}"
  end

  private

  def mended?(mend) = @without != mend

  # Whoever is at nothing beats, and remembers nothing.
  def at_rest(now)
    (@at_rest ||= {})[now] ||= Dispatcher.new(:idle, nil, nil, nil, nil, false, nil, now, 0, false).freeze
  end

  def first
    idle = at_rest(START)
    World.new(START, Showing.new("planned", 0, nil, nil, 0, nil, nil).freeze, nil, 1, false, idle, idle, [].freeze, @left.dup.freeze, 0).freeze
  end

  def history(seen, world)
    labels = []
    while (before, label = seen[world])
      labels.unshift(label)
      world = before
    end
    labels.join(" · ")
  end

  def following(world, &block)
    found = ->(label, after) { block.call(label, asked(world, label, after)) }
    person(world, &found)
    %i[a b].each { |name| dispatcher(world, name, &found) }
    found.call("time passes", tick(world)) if world.now + TICK <= @last
  end

  # The rules of the promise.
  def asked(world, label, after)
    @at = world
    @step = label
    raise Broken, "twice" if after.shown_at.size > 1
    raise Broken, "out and not there" if after.showing.state == "out" && after.shown_at.empty?
    raise Broken, "there, and it can be changed" if after.release.nil? && after.showing.state == "planned" && after.shown_at.any?

    after
  end

  def change(world, **values)
    after = world.dup
    values.each { |name, value| after[name] = value.freeze }
    %i[a b].each { |name| after[name] = at_rest(after.now) if after[name].doing == :idle }
    after.freeze
  end

  def spend(world, what)
    left = world.left.dup
    left[what] -= 1
    left
  end

  # A move of the table, from where the showing stands.
  # @param try [Integer] that the mover knows of
  # @return [Showing, nil] nil when it does not fit
  def move(world, name, try, **values)
    showing = world.showing
    table = Dispatch::Moves.fetch(name)
    return if mended?(:moves_name_their_try) && !table.fits?(showing.state, showing.try, try)

    after = showing.dup
    after.state = table.to
    after.sender = after.lease_until = nil unless table.to == "sending"
    values.each { |column, value| after[column] = value }
    after
  end

  def tick(world)
    now = world.now + TICK
    beating = %i[a b].to_h { |name| [name, world[name].frozen ? world[name] : world[name].dup.tap { |one| one.beat_at = now }] }
    change(world, now: now, **beating)
  end

  def person(world)
    yield((world.held ? "lift" : "hold"), change(world, held: !world.held, left: spend(world, :acts))) if world.left.acts.positive?
    return unless world.showing.state == "planned" && world.left.acts.positive?

    left = spend(world, :acts)
    if world.release
      yield "take back", change(world, release: nil, left: left)
      yield "move", released(world, left)
    else
      yield "release", released(world, left)
      yield "change", change(world, content: world.content + 1, left: left)
    end
  end

  def released(world, left)
    number = world.releases + 1
    change(world, release: Release.new(number, world.now + TICK, world.content), releases: number, left: left)
  end

  def dispatcher(world, name, &block)
    one = world[name]
    return block.call("#{name} goes on", change(world, name => one.dup.tap { |same| same.frozen = false })) if one.frozen

    block.call("#{name} beats", change(world, name => beaten(one, world.now))) if one.beat_at < world.now
    interrupted(world, name, one, &block)
    case one.doing
    when :idle then idle(world, name, one, &block)
    when :looked then looked(world, name, one, &block)
    when :claimed then claimed(world, name, one, &block)
    else replied(world, name, one, &block)
    end
  end

  # What the beat's own thread finds when it runs again.
  def beaten(one, now)
    one.dup.tap do |same|
      same.beats += 1 if now - one.beat_at > Dispatch::Lease::STILL_HERE
      same.beat_at = now
    end
  end

  def interrupted(world, name, one)
    return if one.doing == :idle

    if world.left.freezes.positive?
      yield "#{name} is frozen", change(world, name => one.dup.tap { |same| same.frozen = true }, left: spend(world, :freezes))
    end
    return unless world.left.kills.positive?

    showing = world.showing
    showing = showing.dup.tap { |same| same.sender = :nobody } if showing.sender == name
    yield "#{name} is killed", change(world, name => at_rest(world.now), showing: showing, left: spend(world, :kills))
  end

  def idle(world, name, one, &block)
    showing = world.showing
    case showing.state
    when "planned"
      return unless world.release && world.release.at <= world.now

      block.call("#{name} looks", change(world, name => one.dup.tap { |same| same.doing, same.try, same.seen = :looked, showing.try, world.release }))
    when "sending" then take_over(world, name, &block)
    when "unclear" then look_up(world, name, &block) if showing.due <= world.now
    end
  end

  def take_over(world, name)
    showing = world.showing
    beat = showing.sender == :nobody ? nil : world.now - world[showing.sender].beat_at
    return unless Dispatch::Lease.over?(lease_until: showing.lease_until, since_beat: beat, now: world.now)

    over_at = [showing.lease_until, world.now].max
    yield "#{name} takes over", change(world, showing: move(world, :take_over, showing.try, due: world.now, over_at: over_at, looks: 0))
  end

  def look_up(world, name)
    following = Dispatch::Doubt.before_asking(@card)
    if following.nil?
      return yield "#{name} finds it", change(world, showing: move(world, :go_out, world.showing.try)) if world.shown_at.any? { |at| at <= world.now }

      following = not_there(world)
    end
    return claim_again(world, name) { |*found| yield(*found) } if following.kind == :again && @card.same_id_once && mended?(:stays_unclear)

    yield "#{name} does not find it", change(world, showing: after_look(world, following))
  end

  # It stays unclear until it is claimed again, since it may be out all the time.
  def claim_again(world, name)
    return unless clearance(world, world.release, state: "planned").kind == :send

    showing = move(world, :claim_again, world.showing.try)
    yield "#{name} claims it again", claimed_by(world, name, showing, world.release, true)
  end

  def claimed_by(world, name, showing, release, again)
    showing.try, showing.sender, showing.lease_until, showing.over_at = showing.try + 1, name, world.now + LEASE, world.now + LEASE
    mine = world[name].dup
    mine.doing, mine.try, mine.seen, mine.claimed_at, mine.claimed_beats, mine.again = :claimed, showing.try, release, world.now, mine.beats, again
    change(world, name => mine, showing: showing)
  end

  def not_there(world)
    return Dispatch::Doubt::Next.new(kind: :again) unless mended?(:looked_twice)

    Dispatch::Doubt.not_there(@card, looks: world.showing.looks, over_at: world.showing.over_at, settle: SETTLE, now: world.now)
  end

  def after_look(world, following)
    try = world.showing.try
    case following.kind
    when :again then move(world, :send_again, try) # where the id is taken once it is claimed again instead, see look_up
    when :look then move(world, :look_again, try, due: following.at, looks: following.looks)
    else move(world, :ask_a_person, try)
    end
  end

  # Between the look and the claim a network may be out of reach; that is put down, and nothing moves.
  def looked(world, name, one)
    rest = one.dup.tap { |same| same.doing, same.seen = :idle, nil }
    if world.left.faults.positive?
      showing = mended?(:moves_name_their_try) ? world.showing : world.showing.dup.tap { |same| same.state, same.sender = "planned", nil }
      yield "#{name} does not reach the network", change(world, name => rest, showing: showing, left: spend(world, :faults))
    end
    release = mended?(:claim_compares) ? world.release : one.seen
    allowed = clearance(world, release).kind == :send && move(world, :claim, mended?(:claim_compares) ? world.showing.try : one.try)
    return yield("#{name} may not claim", change(world, name => rest)) unless allowed

    yield "#{name} claims", claimed_by(world, name, allowed, release, false)
  end

  def clearance(world, release, state: world.showing.state)
    stands = !release.nil? && (release.content == world.content || !mended?(:claim_compares))
    Dispatch::Clearance.of(Dispatch::Clearance::Facts.new(
      state: state, release: release && { at: Time.at(release.at), needs: [] }, uploads: [], stopped: false, channel: { state: "connected" },
      fresh: true, by_hand: false, verdict: Verdict.new(world.held, stands, true), faults: [], now: Time.at(world.now)
    ))
  end

  def holds?(world, one)
    return true unless mended?(:lease_binds)

    one.beats == one.claimed_beats &&
      Dispatch::Lease.holds?(since_claim: world.now - one.claimed_at, since_beat: world.now - one.beat_at, lease: LEASE, timeout: TIMEOUT)
  end

  def claimed(world, name, one)
    unless holds?(world, one)
      rest = one.dup.tap { |same| same.doing = :idle }
      return yield "#{name} gives it back", change(world, name => rest, showing: move(world, one.again ? :stay_unclear : :give_back, one.try, due: world.now) || world.showing)
    end
    create(world, name, one, "sends", :out, world.now) { |*found| yield(*found) }
    return unless world.left.faults.positive?

    poorer = change(world, left: spend(world, :faults))
    create(poorer, name, one, "sends; no reply, shown late", :unclear, world.now + SETTLE) { |*found| yield(*found) }
    create(poorer, name, one, "sends; lost", :unclear, nil) { |*found| yield(*found) }
    create(poorer, name, one, "sends; asked to wait", :busy, nil) { |*found| yield(*found) }
    create(poorer, name, one, "sends; refused", :refused, nil) { |*found| yield(*found) }
  end

  # @param shows [Float, nil] when it can be seen there; nil: it never arrived
  def create(world, name, one, words, reply, shows)
    if shows
      raise Broken, "early" if world.release.nil? || world.release.at > world.now
      raise Broken, "changed" if one.seen.content != world.release.content
    end
    there = shows.nil? || (@card.same_id_once && world.shown_at.any?) ? world.shown_at : world.shown_at + [shows]
    mine = one.dup.tap { |same| same.doing, same.reply = :replied, reply }
    yield "#{name} #{words}", change(world, name => mine, shown_at: there)
  rescue Broken
    @at = world
    @step = "#{name} #{words}"
    raise
  end

  KEEP = { out: :go_out, unclear: :leave_unclear, busy: :not_taken, refused: :refused }.freeze

  def replied(world, name, one)
    set = one.reply == :unclear ? { due: world.now, over_at: world.now, looks: 0 } : { due: world.now }
    rest = one.dup.tap { |same| same.doing, same.reply, same.seen, same.claimed_at, same.claimed_beats = :idle, nil, nil, nil, nil }
    kept = one.reply == :busy && one.again ? :stay_unclear : KEEP.fetch(one.reply)
    yield "#{name} keeps the reply", change(world, name => rest, showing: move(world, kept, one.try, **set) || world.showing)
  end
end
