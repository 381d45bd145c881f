# frozen_string_literal: true

# What a dispatcher can do in Walk, one step at a time.
module WalkOfDispatchers
  Dispatch = AskFirst::Core::Dispatch
  KEEP = { out: :go_out, unclear: :leave_unclear, busy: :not_taken, refused: :refused }.freeze

  private

  def with(struct, **values)
    struct.dup.tap { |same| values.each { |name, value| same[name] = value } }
  end

  def dispatcher(world, name, &block)
    one = world[name]
    return block.call("#{name} goes on", change(world, name => with(one, frozen: false))) if one.frozen

    block.call("#{name} beats", change(world, name => beaten(one, world.now))) if one.heartbeat_at < world.now
    interrupted(world, name, one, &block)
    case one.doing
    when :idle
      idle(world, name, one, &block)
    when :looked
      looked(world, name, one, &block)
    when :claimed
      claimed(world, name, one, &block)
    else
      replied(world, name, one, &block)
    end
  end

  # What the heartbeat's own thread finds when it runs again.
  def beaten(one, now)
    one.dup.tap do |same|
      same.breaks += 1 if now - one.heartbeat_at > Dispatch::Lease::STILL_HERE
      same.heartbeat_at = now
    end
  end

  def interrupted(world, name, one)
    return if one.doing == :idle

    if world.left.freezes.positive?
      yield "#{name} is frozen", change(world, name => with(one, frozen: true), :left => spend(world, :freezes))
    end
    return unless world.left.kills.positive?

    showing = world.showing
    showing = with(showing, sender: :nobody) if showing.sender == name
    yield(
      "#{name} is killed",
      change(world, name => at_rest(world.now), :showing => showing, :left => spend(world, :kills))
    )
  end

  def idle(world, name, one, &block)
    showing = world.showing
    case showing.state
    when "planned"
      return unless world.release && world.release.at <= world.now

      block.call(
        "#{name} looks",
        change(world, name => with(one, doing: :looked, try: showing.try, seen: world.release))
      )
    when "sending"
      take_over(world, name, &block)
    when "unclear"
      look_up(world, name, &block) if showing.due <= world.now
    end
  end

  def take_over(world, name)
    showing = world.showing
    last = showing.sender == :nobody ? nil : world.now - world[showing.sender].heartbeat_at
    return unless Dispatch::Lease.over?(lease_until: showing.lease_until, since_heartbeat: last, now: world.now)

    over_at = [showing.lease_until, world.now].max
    yield(
      "#{name} takes over",
      change(world, showing: move(world, :take_over, showing.try, due: world.now, over_at: over_at, looks: 0))
    )
  end

  def look_up(world, name)
    following = Dispatch::Doubt.before_asking(@card)
    if following.nil?
      if world.shown_at.any? { |at| at <= world.now }
        return yield "#{name} finds it", change(world, showing: move(world, :go_out, world.showing.try))
      end

      following = not_there(world)
    end
    if following.kind == :again && @card.same_id_once && mended?(:stays_unclear)
      return claim_again(world, name) { |*found| yield(*found) }
    end

    yield "#{name} does not find it", change(world, showing: after_look(world, following))
  end

  # It stays unclear until it is claimed again, since it may be out all the time.
  def claim_again(world, name)
    return unless clearance(world, world.release, state: "planned").kind == :send

    showing = move(world, :claim_again, world.showing.try)
    yield "#{name} claims it again", claimed_by(world, name, showing, world.release, true)
  end

  def claimed_by(world, name, showing, release, again)
    showing.try += 1
    showing.sender = name
    showing.lease_until = showing.over_at = world.now + Walk::LEASE
    one = world[name]
    mine =
      with(
        one,
        doing: :claimed,
        try: showing.try,
        seen: release,
        claimed_at: world.now,
        claimed_breaks: one.breaks,
        again: again
      )
    change(world, name => mine, :showing => showing)
  end

  def not_there(world)
    return Dispatch::Doubt::Next.new(kind: :again) unless mended?(:looked_twice)

    Dispatch::Doubt.not_there(
      @card,
      looks: world.showing.looks,
      over_at: world.showing.over_at,
      settle: Walk::SETTLE,
      now: world.now
    )
  end

  def after_look(world, following)
    try = world.showing.try
    case following.kind
    when :again
      move(world, :send_again, try) # where the id is taken once it is claimed again instead, see look_up
    when :look
      move(world, :look_again, try, due: following.at, looks: following.looks)
    else
      move(world, :ask_a_person, try)
    end
  end

  # Between the look and the claim a network may be out of reach; that is put down, and nothing moves.
  def looked(world, name, one)
    rest = with(one, doing: :idle)
    if world.left.faults.positive?
      showing = mended?(:moves_name_their_try) ? world.showing : with(world.showing, state: "planned", sender: nil)
      yield(
        "#{name} does not reach the network",
        change(world, name => rest, :showing => showing, :left => spend(world, :faults))
      )
    end
    release = mended?(:claim_compares) ? world.release : one.seen
    allowed =
      clearance(world, release).kind == :send &&
        move(world, :claim, mended?(:claim_compares) ? world.showing.try : one.try)
    return yield("#{name} may not claim", change(world, name => rest)) unless allowed

    yield "#{name} claims", claimed_by(world, name, allowed, release, false)
  end

  def clearance(world, release, state: world.showing.state)
    stands = !release.nil? && (release.content == world.content || !mended?(:claim_compares))
    Dispatch::Clearance.of(
      Dispatch::Clearance::Facts.new(
        state: state,
        release: release && { at: Time.at(release.at), needs: [] },
        uploads: [],
        stopped: false,
        channel: {
          state: "connected"
        },
        fresh: true,
        by_hand: false,
        verdict: Walk::Verdict.new(world.held, stands, true),
        faults: [],
        now: Time.at(world.now)
      )
    )
  end

  def holds?(world, one)
    return true unless mended?(:lease_binds)

    one.breaks == one.claimed_breaks &&
      Dispatch::Lease.holds?(
        since_claim: world.now - one.claimed_at,
        since_heartbeat: world.now - one.heartbeat_at,
        lease: Walk::LEASE,
        timeout: Walk::TIMEOUT
      )
  end

  def claimed(world, name, one)
    unless holds?(world, one)
      rest = with(one, doing: :idle)
      return(
        yield(
          "#{name} gives it back",
          change(
            world,
            name => rest,
            :showing => move(world, one.again ? :stay_unclear : :give_back, one.try, due: world.now) || world.showing
          )
        )
      )
    end
    create(world, name, one, "sends", :out, world.now) { |*found| yield(*found) }
    return unless world.left.faults.positive?

    poorer = change(world, left: spend(world, :faults))
    create(poorer, name, one, "sends; no reply, shown late", :unclear, world.now + Walk::SETTLE) do |*found|
      yield(*found)
    end
    create(poorer, name, one, "sends; lost", :unclear, nil) { |*found| yield(*found) }
    create(poorer, name, one, "sends; asked to wait", :busy, nil) { |*found| yield(*found) }
    create(poorer, name, one, "sends; refused", :refused, nil) { |*found| yield(*found) }
  end

  # @param shows [Float, nil] when it can be seen there; nil: it never arrived
  def create(world, name, one, words, reply, shows)
    if shows
      raise Walk::Broken, "early" if world.release.nil? || world.release.at > world.now
      raise Walk::Broken, "changed" if one.seen.content != world.release.content
    end
    there = shows.nil? || (@card.same_id_once && world.shown_at.any?) ? world.shown_at : world.shown_at + [shows]
    mine = with(one, doing: :replied, reply: reply)
    yield "#{name} #{words}", change(world, name => mine, :shown_at => there)
  rescue Walk::Broken
    @at = world
    @step = "#{name} #{words}"
    raise
  end

  def replied(world, name, one)
    set = one.reply == :unclear ? { due: world.now, over_at: world.now, looks: 0 } : { due: world.now }
    rest = with(one, doing: :idle)
    kept = one.reply == :busy && one.again ? :stay_unclear : KEEP.fetch(one.reply)
    yield(
      "#{name} keeps the reply",
      change(world, name => rest, :showing => move(world, kept, one.try, **set) || world.showing)
    )
  end
end
