# frozen_string_literal: true

require_relative "reading"

# One random history of a post with two channels, told to the real acts and to the Reading side by side. What the acts
# refuse changes nothing in either; what they take must come to the same.
class History
  HOUSE = %i[bram ines tobiah wren].freeze
  DAYS = %w[2026-10-15T07:30 2026-10-15T22:00 2026-10-16T00:30 2026-10-17T09:00].freeze
  ZONES = %w[Europe/Lisbon America/New_York].freeze
  # Two and two have a run of three words in common, and more.
  WORDS = [
    "When fog sits on the estuary, the boat waits.",
    "When fog sits on the estuary, the boat sails.",
    "Nobody guesses where the pier begins.",
    "Somebody knows where the pier begins."
  ].freeze
  NAMES = %i[one two].freeze
  Network =
    Struct.new(:sent) do
      def client_for(_) = self
      def card = nil

      def create(request, **more)
        sent << [request, more[:send_id]]
        AskFirst::Core::Dispatch::Outcome.of(201, location: "https://ticker.example/#{more[:send_id]}")
      end
    end

  # @param world [SpecWorld]
  # @param client [Symbol]
  # @param seed [Integer]
  def initialize(world, client, seed)
    @world = world
    @client = client
    @random = Random.new(seed)
    @told = []
  end

  attr_reader :told

  # @return [String, nil] where the two part ways, with what was told until then
  def run(acts)
    begin_with_draft
    acts.times do
      act = ACTS.sample(random: @random)
      world.clock.set(world.clock.now + 1)
      outcome = send(act)
      @told << "#{act}: #{outcome}"
      @reading.settle
      wrong = difference and return "#{wrong}\n  #{@told.join("\n  ")}"
    end
    nil
  end

  private

  ACTS = %i[
    write
    write
    own
    follow
    suggest
    move
    ask
    ask
    ask
    answer
    answer
    answer
    answer
    disown
    withdraw
    withdraw_line
    reroute
    edit_route
    open
    close
    skip
    place
    place
    drop
    clear_for
    clear_for
    undo
    ready
    release
    release
    take_back
    hold
    zone
    policy
    card
    leave
    come_back
    set_aside
    by_itself
    automatic
    send_due
  ].freeze
  private_constant :ACTS

  attr_reader :world

  def db = world.db
  # Whoever acts is who they were when the history began: a page of theirs may have been open since.
  def act(name, who = :ines, **input)
    world.act(name, @members.fetch(who), @client, **input)
  end
  def workspace = world.workspace(@client)
  def pick(list) = list.to_a.sample(random: @random)
  def person(id) = (@people ||= world.world.people.invert).fetch(id)

  def attempt
    yield
  rescue AskFirst::Core::Error => e
    "refused, #{e.code}"
  end

  def begin_with_draft
    @members =
      (%i[odile per maro] + HOUSE).to_h do |who|
        come_back_to(who)
        [who, world.member(who, @client)]
      end
    @channels = NAMES.zip(world.world.channels[@client].values.first(2)).to_h
    @post = act("Posts::CreatePost", subject: "A history")
    act("Posts::ChooseChannels", post_id: @post, channel_ids: @channels.values)
    @ids = @channels.transform_values { |channel| db[:adaptations].where(post_id: @post, channel_id: channel).get(:id) }
    @usual, @other =
      [true, false].map { |usual| db[:routes].where(workspace_id: workspace, is_default: usual).get(:id) }
    @reading = Reading.new(steps_of(@usual))
    # of the history before
    @reading.policy, @reading.zone = db[:workspaces].where(id: workspace).get(%i[time_policy zone])
    @reading.gone = []
    @reading.itself = db[:routes].where(id: @usual).get(:releases_itself)
    @comments = NAMES.to_h { |name| [name, !card_of(name)["first_comment"].nil?] }
    @reading.held = db[:holds].where(workspace_id: workspace, lifted_at: nil).any?
    @master = ["", []]
    @own = {}
    @time = nil
    save(nil, WORDS[0], :maro)
    first_comment
    plan(DAYS.first, ZONES.first)
    refresh
  end

  # Today's steps of a route as they are written down, whatever the program makes of them.
  def steps_of(route)
    db[:route_steps]
      .where(route_id: route, retired_at: nil)
      .order(:position)
      .map do |row|
        people = db[:route_step_people].where(step_id: row[:id]).select_map(:person_id).map { |id| person(id) }
        Reading::Step.new(**row.slice(:id, :position, :side, :quorum, :n, :required), people: people)
      end
  end

  # What stands now, written into the reading: own text, else the master's; the day as the client has it.
  def refresh
    NAMES.each do |name|
      one = @reading.ones[name]
      next if one.sent

      words, one.authors = @own.fetch(name, @master)
      # what its network does not take is left out of what goes out
      one.content = [words, @comments[name]]
      one.instant = @time
    end
  end

  def words_on(name) = @own.fetch(name, @master).first
  def card_of(name) = db[:channels].where(id: @channels[name]).get(:card)

  def first_comment
    said = { post_id: @post, channel_id: nil, part: "first_comment", value: "More of it below.", version: 0 }
    act("Posts::UpdatePart", :maro, **said)
  end

  def save(name, words, who)
    channel = name && @channels[name]
    row = db[:parts].where(post_id: @post, channel_id: channel, part: "text").first
    act(
      "Posts::UpdatePart",
      who,
      post_id: @post,
      channel_id: channel,
      part: "text",
      value: words,
      version: row ? row[:version] : 0
    )
    before = @own.fetch(name, @master)
    return if before[0] == words && row

    after = written_by(before, words, who)
    name ? @own[name] = after : @master = after
  end

  # Whose words they are: of what they came from, those of whom anything is left.
  # @param before [Array(String, Array<Symbol>)] words and authors
  def written_by(before, words, who)
    left = WORDS.each_slice(2).any? { |alike| ([before[0], words] - alike).empty? }
    [words, (left ? before[1] : []) | [who]]
  end

  # Nothing of what is sealed, nor anything that it follows, is written.
  def unless_sealed(names)
    sealed = names.select { |name| @reading.sealed?(name) && !@reading.ones[name].sent }
    outcome = attempt { yield && "done" }
    raise "wrote under the seal of #{sealed.join(", ")}" if sealed.any? && outcome == "done"

    refresh
    outcome
  end

  def write
    words = pick(WORDS.first(3))
    return "the same" if @master[0] == words

    unless_sealed(NAMES.reject { |name| @own.key?(name) }) { save(nil, words, pick(%i[maro wren tobiah])) || true }
  end

  def own
    name = pick(NAMES)
    words = pick(WORDS.values_at(0, 3))
    return "the same" if @own[name]&.first == words

    unless_sealed([name]) { save(name, words, pick(%i[maro wren])) || true }
  end

  def follow
    name = pick(NAMES)
    row = db[:parts].where(post_id: @post, channel_id: @channels[name], part: "text").first or return "follows already"
    unless_sealed([name]) do
      act(
        "Posts::FollowMaster",
        :maro,
        post_id: @post,
        channel_id: @channels[name],
        part: "text",
        version: row[:version]
      )
      @own.delete(name) && true
    end
  end

  # Other words suggested for what one channel shows, and taken at once, there or into the master. What is locked is
  # unlocked by that, and whoever takes them is an author.
  def suggest
    name = pick(NAMES)
    everywhere = pick([true, false])
    who = pick(%i[maro wren])
    words = pick(WORDS - [words_on(name)])
    changed = everywhere ? NAMES.reject { |other| @own.key?(other) } : [name]
    sealed = changed.select { |other| @reading.sealed?(other) && !@reading.ones[other].sent }
    attempt do
      act("Talk::DecideSuggestion", who, remark_id: suggested(name, words), as: "taken", everywhere: everywhere)
      sealed.each { |other| @reading.open(other) }
      after = written_by(everywhere ? @master : @own.fetch(name, @master), words, who)
      everywhere ? @master = after : @own[name] = after
      refresh
      "#{who} #{everywhere ? "everywhere" : name}"
    end
  end

  # @return [String] id of the remark
  def suggested(name, words)
    quote = { "exact" => words_on(name), "prefix" => "", "suffix" => "" }
    pin = { "kind" => "words", "adaptation_id" => @ids[name], **quote }
    act("Talk::Say", post_id: @post, room: "house", words: "", pin: pin, replacement: words)
  end

  def plan(wall, zone)
    row = db[:parts].where(post_id: @post, channel_id: nil, part: "time").first
    act(
      "Posts::UpdatePart",
      post_id: @post,
      channel_id: nil,
      part: "time",
      value: {
        "wall" => wall,
        "zone" => zone
      },
      version: row ? row[:version] : 0
    )
    @time = AskFirst::Core::Plan::WallTime.parse(wall, zone).at
  end

  # A release goes along to a time for which its yeses still hold.
  def move
    wall = pick(DAYS)
    zone = pick(ZONES)
    attempt do
      plan(wall, zone)
      refresh
      @reading.ones.each do |name, one|
        one.released = [one.released[0], one.instant] if one.released && !one.sent && @reading.releasable?(name)
      end
      "#{wall} #{zone}"
    end
  end

  def ask
    step = pick(@reading.steps) or return "no step"
    chosen = pick([NAMES, [:one], [:two]])
    before = db[:asks].max(:order_no) || 0
    attempt do
      id =
        act(
          "Signoff::SendAsk",
          pick(%i[ines tobiah]),
          step_id: step.id,
          post_ids: [@post],
          channel_ids: @channels.values_at(*chosen)
        )
      add_line(id, step)
      "#{step.side} after #{before}"
    end
  end

  def add_line(ask_id, step)
    ask = db[:asks].where(id: ask_id).first
    row = db[:ask_lines].where(ask_id: ask_id).first
    names = @ids.select { |_, id| db[:ask_line_adaptations].where(line_id: row[:id], adaptation_id: id).any? }.keys
    raise "asked for what was sent" if names.any? { |name| @reading.ones[name].sent }
    if step.required && names.any? { |name| @reading.waits_at(name)&.id != step.id }
      raise "asked at a step where nothing waits"
    end

    people = db[:ask_people].where(ask_id: ask_id).select_map(:person_id).map { |id| person(id) }
    places = db[:ask_places].where(ask_id: ask_id).order(:number).select_map(:person_id).map { |id| id && person(id) }
    raise "fewer people than places" if people.size < places.size

    asked = names.to_h { |name| [name, @reading.ones[name].then { |one| [one.content, one.instant, one.authors] }] }
    @reading.ask(
      Reading::Line.new(
        id: row[:id],
        step: step.id,
        asked: asked,
        state: names.to_h { |name| [name, :open] },
        places: places,
        people: people,
        order: ask[:order_no]
      )
    )
  end

  # By somebody who was asked, on any line there ever was, from a page that was opened now or long ago.
  def answer
    line = pick(@reading.lines) or return "nothing asked"
    who = pick(line.people)
    verdict = pick(%w[yes yes yes change no])
    seen = pick([db[:answers].max(:order_no) || 0, db[:answers].max(:order_no) || 0, 0])
    shown = page(line)
    fates = @reading.predict(line, who, verdict, seen, shown)
    outcome =
      attempt do
        act(
          "Signoff::AnswerAsk",
          who,
          line_id: line.id,
          verdict: verdict,
          words: verdict == "yes" ? "" : "Not so",
          shown: echoed(line, shown),
          seen: seen
        ) && "taken"
      end
    order = compare_kept(line, who, verdict, fates, outcome)
    @reading.take(line, who, verdict, order, fates) if order
    "#{who} #{verdict} #{fates} #{outcome}"
  end

  # What the page of a line shows: what is still asked, or all of it once nothing is.
  def page(line)
    open = line.state.reject { |_, state| %i[withdrawn outdated].include?(state) }.keys
    @random.rand < 0.5 || open.empty? ? line.asked.keys : open
  end

  def echoed(line, shown)
    prints =
      db[:ask_line_adaptations]
        .where(line_id: line.id)
        .join(:revision_adaptations, id: :revision_adaptation_id)
        .select_hash(Sequel[:ask_line_adaptations][:adaptation_id], :fingerprint)
    shown.to_h { |name| [@ids[name], prints.fetch(@ids[name])] }
  end

  def compare_kept(line, who, verdict, fates, outcome)
    last = @last_order || 0
    kept = db[:answers].where(line_id: line.id).where { order_no > last }.all
    @last_order = [last, *kept.map { |row| row[:order_no] }].max
    real =
      fates.keys.to_h do |name|
        [name, kept.find { |row| row[:adaptation_id] == @ids[name] }.then { |row| fate_of(row) }]
      end
    raise "#{who} says #{verdict}: the text has it #{fates}, the acts #{real} (#{outcome})" if real != fates

    kept.map { |row| row[:order_no] }.max
  end

  def fate_of(row)
    return :refused if row.nil?

    row[:eligible] ? :kept : :lifts
  end

  # "This was not me", from the receipt of a yes: each of its yeses on what is not out is a no of that person.
  def disown
    of_post = db[:receipt_answers].join(:answers, id: :answer_id).where(post_id: @post).select(:receipt_id)
    id, whose = pick(db[:receipts].where(id: of_post).order(:made_at, :id).select_map(%i[id person_id]))
    return "no receipt" unless id

    line = pick(disownable_lines(id)) or return "all of it is disowned"
    yeses = disownable(line, person(whose))
    attempt do
      by = AskFirst::App::Member.of_receipt({ workspace_id: workspace, person_id: whose }, name: "Whoever holds it")
      world.act("Signoff::Disown", by, receipt_id: id, line_id: line[:id])
      @last_order = db[:answers].max(:order_no)
      yeses.each do |name, yes|
        one = @reading.ones[name]
        no = yes.to_h.merge(in_name: false, verdict: "no", stood: one.content, counts: true, order: @last_order)
        one.answers << Reading::Answer.new(**no) unless one.sent
      end
      "#{person(whose)} #{yeses.map(&:first)}"
    end
  end

  # @return [Array<Hash>] lines of the receipt, of this post
  def disownable_lines(receipt)
    scope = AskFirst::App::Member.process(workspace, "dispatcher").scope(world.environment.db)
    lines = scope.transaction { AskFirst::App::Signoff::ReceiptLines.of(scope, receipt) }
    lines.select { |line| line[:post_id] == @post && line[:disowned_at].nil? }
  end

  # @return [Array<Array(Symbol, Reading::Answer)>] the line's yeses, as the reading knows them
  def disownable(line, who)
    told = line[:answers].map { |answer| answer[:id] }
    NAMES.flat_map do |name|
      kept =
        db[:answers].where(adaptation_id: @ids[name], person_id: world.person(who), verdict: "yes").order(:order_no)
      known = @reading.ones[name].answers.select { |one| one.who == who && one.verdict == "yes" }
      kept.select_map(:id).zip(known).filter_map { |id, yes| [name, yes] if told.include?(id) }
    end
  end

  def withdraw
    line = pick(@reading.lines) or return "nothing asked"
    ask = db[:ask_lines].where(id: line.id).get(:ask_id)
    attempt do
      act("Signoff::WithdrawAsk", ask_id: ask)
      @reading.withdraw([line])
      "done"
    end
  end

  # The post is taken out of its ask: with one post in it, the whole of it.
  def withdraw_line
    line = pick(@reading.lines) or return "nothing asked"
    ask = db[:ask_lines].where(id: line.id).get(:ask_id)
    attempt do
      act("Signoff::WithdrawLine", ask_id: ask, post_id: @post)
      @reading.withdraw([line])
      "done"
    end
  end

  # Another route for the post, or the usual one again: what was asked stays in its demand.
  def reroute
    route = pick([nil, @other])
    attempt do
      act("Signoff::ChooseRoute", :bram, post_id: @post, route_id: route, reason: "Agreed")
      @on_other = !route.nil?
      @reading.itself = route.nil? && db[:routes].where(id: @usual).get(:releases_itself)
      @reading.route = steps_of(route || @usual)
      route ? "the other" : "the usual"
    end
  end

  # The other route loses its last step, or has one more again.
  def edit_route
    first, second = steps_of(@other)
    steps = second ? [first] : [first, first.dup.tap { |more| more.id = nil }]
    route = { route_id: @other, seen: db[:routes].where(id: @other).get(:version) }
    attempt do
      act("Signoff::SaveRoute", steps: steps.map { |step| written(step) }, about: { name: "Another way" }, **route)
      @reading.route = steps_of(@other) if @on_other
      "#{steps.size} steps"
    end
  end

  def written(step)
    whom = { "people" => step.people.map { |one| world.person(one) }, "name" => "Another step" }
    step.to_h.slice(:id, :side, :quorum, :n, :required).transform_keys(&:to_s).merge(whom, "hours" => 9)
  end

  def open
    name = pick(NAMES)
    attempt do
      act("Posts::OpenPost", post_id: @post, adaptation_ids: [@ids[name]])
      raise "opened what was sent" if @reading.ones[name].sent

      @reading.open(name) unless @reading.ones[name].opened
      name
    end
  end

  def close
    name = pick(NAMES)
    attempt do
      act("Posts::ClosePost", post_id: @post, adaptation_ids: [@ids[name]])
      @reading.ones[name].opened = false
      name
    end
  end

  def skip
    return "seldom" unless @random.rand < 0.2

    step = pick(@reading.steps) or return "no step"
    attempt do
      act("Signoff::SkipStep", :bram, post_id: @post, step_id: step.id, reason: "In a hurry")
      db[:rulings]
        .where(post_id: @post, step_id: step.id, kind: "skip")
        .select_map(:adaptation_id)
        .each { |id| skipped(@ids.key(id), step) }
      step.side
    end
  end

  # A ruling is for what stood when it was made.
  def skipped(name, step)
    made = db[:rulings].where(post_id: @post, adaptation_id: @ids[name], step_id: step.id, kind: "skip").count
    @skipped ||= Hash.new(0)
    return if @skipped[[name, step.id]] == made

    @skipped[[name, step.id]] = made
    one = @reading.ones[name]
    one.skips << [step.id, one.content]
    @reading.lines.each { |line| line.state[name] = :withdrawn if line.state[name] == :open }
  end

  # A place struck, or counted as filled, for what stands now.
  def place
    step = pick(@reading.steps) or return "no step"
    kind = pick(%w[fill strike])
    whose = pick([nil, *step.people])
    found = at(step).select { |name| @reading.open_places(name, step).include?(whose) }
    last = kind == "strike" && found.any? { |name| @reading.places(name, step).size < 2 }
    outcome =
      attempt do
        said = { step_id: step.id, kind: kind, person_id: whose && world.person(whose), reason: "In a hurry" }
        act("Signoff::RulePlace", :bram, post_id: @post, **said)
        "done"
      end
    raise "#{kind} of #{whose.inspect}: #{outcome}" if (outcome == "done") != (found.any? && !last)
    return outcome unless outcome == "done"

    found.each do |name|
      one = @reading.ones[name]
      (kind == "fill" ? one.fills : one.strikes) << [step.id, one.content, whose]
    end
    end_answered(step, found)
    "#{kind} #{whose}"
  end

  # Of what waits at a step and is not out.
  def at(step)
    NAMES.select { |name| !@reading.ones[name].sent && @reading.waits_at(name)&.id == step.id }
  end

  def end_answered(step, names)
    @reading.end_lines(step, names.select { |name| @reading.satisfied?(name, step) }, :answered)
  end

  def drop
    return "seldom" unless @random.rand < 0.05

    step = pick(@reading.steps) or return "no step"
    blocked = NAMES.any? { |name| !@reading.ones[name].sent && @reading.blocked_at?(name, step) }
    outcome =
      attempt do
        act("Signoff::DropStep", :bram, post_id: @post, step_id: step.id, reason: "Agreed")
        @reading.drop(step)
        "dropped"
      end
    raise "dropped over a block" if outcome == "dropped" && blocked

    "#{step.side} #{outcome}"
  end

  # A yes in another's name: only where they are asked about exactly what stands, and wrote none of it.
  def clear_for
    step = pick(@reading.steps) or return "no step"
    who = pick(step.people) or return "nobody"
    found = at(step).filter_map { |name| asked_as_it_stands(name, step, who) }
    own = found.any? { |name, _| @reading.ones[name].authors.include?(who) }
    outcome =
      attempt do
        said = { step_id: step.id, person_id: world.person(who), reason: "By phone" }
        act("Signoff::ClearFor", :bram, post_id: @post, **said)
        "done"
      end
    blocked = found.any? { |name, _| @reading.own_block?(name, who, step.id) }
    could = found.any? && !own && !blocked && !@reading.gone.include?(who)
    raise "cleared for #{who}: #{outcome}" if (outcome == "done") != could
    return outcome unless outcome == "done"

    @last_order = db[:answers].max(:order_no)
    found.each do |name, line|
      one = @reading.ones[name]
      instant = line.asked[name][1]
      said = { who: who, step: step.id, verdict: "yes", content: one.content, stood: one.content, instant: instant }
      @reading.said_yes(one)
      one.answers << Reading::Answer.new(**said, counts: true, order: @last_order, in_name: true)
    end
    end_answered(step, found.map(&:first))
    "#{who} by another's hand"
  end

  def asked_as_it_stands(name, step, who)
    line =
      @reading.lines.find do |one|
        one.step == step.id && one.state[name] == :open && one.people.include?(who) &&
          one.asked[name]&.first == @reading.ones[name].content
      end
    line && [name, line]
  end

  # A withdrawal taken back.
  def undo
    line = pick(@reading.lines) or return "nothing asked"
    row = db[:ask_lines].where(id: line.id).first
    back = row[:ended_as] == "withdrawn" ? @reading.returns(line) : []
    outcome = attempt { (act("Signoff::UndoWithdraw", ask_id: row[:ask_id]) && "done") || "done" }
    raise "taken back: #{outcome}, #{back}" if (outcome == "done") != back.any?

    back.each { |name| line.state[name] = :open }
    outcome
  end

  def ready
    attempt do
      act("Posts::MarkReady", post_id: @post)
      @reading.ones.each_value do |one|
        unless one.sent
          one.ready = one.content
          one.opened = false
        end
      end
      "done"
    end
  end

  def release
    attempt do
      ids = act("Dispatch::Release", post_id: @post)
      ids.each do |id|
        name = @ids.key(id)
        raise "released what the text does not clear" unless @reading.stage(name) == "cleared"

        released(name)
      end
      ids.map { |id| @ids.key(id) }.join(" ")
    end
  end

  # By a person, or by a route that releases by itself.
  def released(name)
    one = @reading.ones[name]
    one.released = [one.content, one.instant]
    one.taken_back = false
  end

  # The usual route releases by itself from now on, or no more; the other one never does.
  def automatic
    steps = steps_of(@usual)
    itself = !db[:routes].where(id: @usual).get(:releases_itself)
    about = { name: db[:routes].where(id: @usual).get(:name), releases_itself: itself }
    seen = db[:routes].where(id: @usual).get(:version)
    attempt do
      act("Signoff::SaveRoute", steps: steps.map { |step| written(step) }, about: about, route_id: @usual, seen: seen)
      @reading.itself = itself unless @on_other
      itself
    end
  end

  # What our own process does after a yes.
  def by_itself
    expected = NAMES.select { |name| @reading.releases_itself?(name) && !@reading.ones[name].released }
    before = db[:releases].where(post_id: @post).select_map(:id)
    process = AskFirst::App::Member.process(workspace, "release")
    AskFirst::App::Dispatch::ReleaseCleared.call(world.jobs, process, post_ids: [@post])
    found = db[:releases].where(post_id: @post).exclude(id: before).select_map(:adaptation_id).map { |id| @ids.key(id) }
    raise "released by itself #{found}, the text has #{expected}" if found.sort != expected.sort

    found.each { |name| released(name) }
    found.join(" ")
  end

  # The client's own calendar: what was the same day may be another one there.
  def zone
    settings(zone: pick(ZONES - [@reading.zone])) { |values| @reading.zone = values[:zone] }
  end

  def policy
    settings(time_policy: pick(%w[never local_date always])) { |values| @reading.policy = values[:time_policy] }
  end

  def settings(**values)
    version = db[:workspaces].where(id: workspace).get(:version)
    attempt do
      act("Clients::UpdateSettings", version: version, **values)
      yield values
      values.values.first
    end
  end

  # A network takes a first comment no more, or takes one again: what goes out there is something else.
  def card
    name = pick(NAMES)
    changed = card_of(name).merge("first_comment" => @comments[name] ? nil : { "limit" => 200 })
    said = Sequel.lit("CAST(? AS jsonb)", JSON.generate(changed))
    world.owner[:channels].where(id: @channels[name]).update(card: said)
    process = AskFirst::App::Member.process(workspace, "networks")
    AskFirst::App::Signoff::RefreshChannel.call(world.jobs, process, channel_id: @channels[name])
    @comments[name] = !@comments[name]
    refresh
    "#{name} #{@comments[name]}"
  end

  # A membership ends: what its person has said stays, and they say nothing more.
  def leave
    who = pick(%i[wren tobiah odile per] - @reading.gone)
    return "seldom" if who.nil? || @random.rand > 0.4

    attempt do
      id = db[:memberships].where(workspace_id: workspace, person_id: world.person(who)).get(:id)
      act("People::EndMember", membership_id: id)
      @reading.gone += [who]
      who
    end
  end

  def come_back
    who = pick(@reading.gone) or return "nobody has left"
    come_back_to(who)
    process = AskFirst::App::Member.process(workspace, "people")
    AskFirst::App::Signoff::RefreshAsked.call(world.jobs, process, person_id: world.person(who))
    @reading.gone -= [who]
    who
  end

  def come_back_to(who)
    theirs = { workspace_id: workspace, person_id: world.person(who) }
    world.owner[:memberships].where(theirs).update(ended_at: nil, ended_by: nil)
  end

  # What somebody wants who has left is set aside, and of nobody else.
  def set_aside
    step = pick(@reading.steps) or return "no step"
    who = pick(step.people) or return "nobody"
    found = NAMES.select { |name| !@reading.ones[name].sent && @reading.own_block?(name, who, step.id) }
    said = { step_id: step.id, person_id: world.person(who), reason: "They have left" }
    outcome =
      attempt do
        act("Signoff::SetAside", :bram, post_id: @post, **said)
        "done"
      end
    right = found.any? && @reading.gone.include?(who)
    raise "set aside what #{who} wants: #{outcome}" if (outcome == "done") != right

    @reading.set_aside(found, step, who, db[:rulings].max(:order_no)) if right
    outcome
  end

  def take_back
    attempt do
      act("Dispatch::TakeBack", post_id: @post)
      @reading.ones.each_value do |one|
        one.taken_back = true if one.released && !one.sent
        one.released = nil unless one.sent
      end
      "done"
    end
  end

  def hold
    open = db[:holds].where(workspace_id: workspace, lifted_at: nil).get(:id)
    attempt { open ? act("Signoff::LiftHold", hold_id: open) : act("Signoff::Hold", reason: "Wait") }
    @reading.held = !open
    open ? "lifted" : "put"
  end

  # The minute has come for one that is released: it goes out only with a complete set of yeses.
  def send_due
    name =
      NAMES
        .select { |one| @reading.ones[one].released && !@reading.ones[one].sent }
        .then { |released| pick(released) } or return "nothing released"
    showing = db[:showings].where(adaptation_id: @ids[name]).get(:id)
    sent = deliver(showing)
    raise "sent what the text does not release" if sent && @reading.stage(name) != "released"
    raise "did not send what is released" if !sent && @reading.stage(name) == "released"

    @reading.ones[name].sent = true if sent
    sent ? "#{name} went out" : "#{name} stayed"
  end

  def deliver(showing)
    network = Network.new([])
    environment = world.environment.dup.tap { |same| same.networks = network }
    before = world.clock.now
    world.clock.set(@time + 1)
    AskFirst::App::Dispatch::Advance.call(
      environment,
      AskFirst::App::Member.process(workspace, "dispatcher"),
      showing_id: showing
    )
    network.sent.any?
  ensure
    world.clock.set(before)
  end

  def difference
    standing = world.post_state(@post, @client)
    NAMES.each do |name|
      real = standing.adaptation(@ids[name]).stage
      text = @reading.stage(name)
      return "#{name}: the text has it #{text}, the acts #{real}" if real != text
    end
    cached = db[:posts].where(id: @post).get(:stage)
    "the cache has it #{cached}, the judge #{standing.stage}" if cached != standing.stage
  end
end
