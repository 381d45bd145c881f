# frozen_string_literal: true

require_relative "walk_of_dispatchers"

# Walks every history of one showing that is short enough: two dispatchers that may be frozen or killed between any
# two steps, one person who releases, takes back, changes, moves, holds and lifts, and a network with each of its
# faults. What moves is decided by the same values and functions that the dispatcher uses (Core::Dispatch::Moves,
# Clearance, Lease, Doubt); what is around them is a model.
# In every state the rules of the promise are asked.
class Walk
  Dispatch = AskFirst::Core::Dispatch
  TICK = 7.0 # seconds: longer than a heartbeat may be missed, so that one tick makes a frozen dispatcher gone
  LEASE = 21.0
  TIMEOUT = 7.0
  SETTLE = 7.0
  START = 0.0

  Card = Struct.new(:finds_by_id, :same_id_once)
  Showing = Struct.new(:state, :try, :due, :over_at, :looks, :sender, :lease_until)
  Release = Struct.new(:number, :at, :content)
  # doing: :idle, :looked, :claimed or :replied · seen: the release that it looked at or claimed · reply: the network's
  Dispatcher =
    Struct.new(:doing, :try, :seen, :claimed_at, :claimed_breaks, :again, :reply, :heartbeat_at, :breaks, :frozen)
  Left = Struct.new(:acts, :faults, :freezes, :kills)
  World = Struct.new(:now, :showing, :release, :content, :held, :a, :b, :shown_at, :left, :releases)
  Verdict = Struct.new(:held?, :release_stands?, :releasable?)
  # What each mend is; without one of them the walk finds the history that it was made for.
  MENDS = %i[moves_name_their_try claim_compares lease_binds looked_twice stays_unclear].freeze
  class Broken < StandardError
  end

  include WalkOfDispatchers

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
    World.new(
      START,
      Showing.new("planned", 0, nil, nil, 0, nil, nil).freeze,
      nil,
      1,
      false,
      idle,
      idle,
      [].freeze,
      @left.dup.freeze,
      0
    ).freeze
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
    if after.release.nil? && after.showing.state == "planned" && after.shown_at.any?
      raise Broken, "there, and it can be changed"
    end

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
    beating =
      %i[a b].to_h do |name|
        [name, world[name].frozen ? world[name] : world[name].dup.tap { |one| one.heartbeat_at = now }]
      end
    change(world, now: now, **beating)
  end

  def person(world)
    if world.left.acts.positive?
      yield((world.held ? "lift" : "hold"), change(world, held: !world.held, left: spend(world, :acts)))
    end
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
end
