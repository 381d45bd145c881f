# frozen_string_literal: true

# The text of the model on steps, places, verdicts and blocks, read once more and written down from the text alone: a
# second, small judge that shares no line with the first. Contents and days are plain values, people are symbols.
class Reading
  Step = Struct.new(:id, :position, :side, :quorum, :n, :required, :people, keyword_init: true)
  # asked: adaptation => [content, instant, authors] as it was asked · state: adaptation => :open, :answered,
  # :withdrawn, :outdated
  Line = Struct.new(:id, :step, :asked, :state, :places, :people, :order, keyword_init: true)
  # in_name: given by somebody else in that person's name
  Answer = Struct.new(:who, :step, :verdict, :content, :stood, :instant, :counts, :order, :in_name, keyword_init: true)
  # instant: of the planned time · opened_since, taken_back: what an automatic release waits for a person or a new yes
  # by · aside: [step, who, order] of what was set aside
  One =
    Struct.new(
      :content,
      :authors,
      :instant,
      :opened,
      :ready,
      :answers,
      :skips,
      :fills,
      :strikes,
      :aside,
      :opened_since,
      :taken_back,
      :released,
      :sent,
      keyword_init: true
    )

  attr_reader :lines, :ones
  # zone: the client's · policy: when another time makes a yes void · gone: who is no member any more · itself: whether
  # the route releases by itself
  attr_accessor :held, :zone, :policy, :gone, :itself

  # @param route [Array<Step>] of today
  def initialize(route)
    @known = {}
    self.route = route
    @dropped = []
    @lines = []
    @ones =
      Hash.new do |all, name|
        all[name] = One.new(opened: false, answers: [], skips: [], fills: [], strikes: [], aside: [])
      end
    @held = false
    @zone = "Europe/Lisbon"
    @policy = "local_date"
    @gone = []
    @itself = false
  end

  # Another route, or the same one with other steps.
  def route=(steps)
    @route = steps
    @known.merge!(steps.to_h { |step| [step.id, step] })
  end

  # What must be passed: today's route and every step that was ever asked, less what was dropped on record.
  def steps
    (@route + @known.values_at(*@lines.map(&:step)))
      .uniq(&:id)
      .reject { |step| @dropped.include?(step.id) }
      .sort_by { |step| [step.position, step.side == "internal" ? 0 : 1, step.id] }
  end

  def stage(name)
    one = @ones.fetch(name)
    return "out" if one.sent
    return "held" if releasable?(name) && one.released && @held
    return "changes_wanted" if blocked?(name)
    return "drafting" if drafting?(name)

    waits = waits_at(name)
    return waits.side == "client" ? "client_approval" : "internal_review" if waits

    one.released ? "released" : "cleared"
  end

  # Every required step has its places filled for what stands now, nothing blocks, nobody has it open.
  def releasable?(name)
    !blocked?(name) && !drafting?(name) && waits_at(name).nil?
  end

  def sealed?(name)
    one = @ones.fetch(name)
    one.sent || (!one.opened && (open_line?(name) || counting?(name) || !one.released.nil?))
  end

  def waits_at(name)
    steps.select(&:required).find { |step| !satisfied?(name, step) }
  end

  # Whether what was said for one time still holds for another: always, on the same day of the client's calendar, or
  # only for the very same moment.
  def same_time?(one, other)
    case @policy
    when "never"
      true
    when "always"
      one == other
    else
      day = ->(at) { at.getlocal(TZInfo::Timezone.get(@zone).period_for(at).observed_utc_offset).to_date }
      day.call(one) == day.call(other)
    end
  end

  # What a route that releases by itself hands over: what a person has stopped waits for a person, or for a new yes.
  def releases_itself?(name)
    one = @ones.fetch(name)
    @itself && stage(name) == "cleared" && !one.opened_since && !one.taken_back
  end

  # Who has left can take nothing back; what they wanted is set aside.
  def set_aside(names, step, who, order)
    names.each { |name| @ones[name].aside << [step.id, who, order] }
  end

  def satisfied?(name, step)
    return true if @ones.fetch(name).skips.include?([step.id, @ones.fetch(name).content])

    last_line(name, step) ? open_places(name, step).empty? : false
  end

  def last_line(name, step) = lines_of(name).select { |line| line.step == step.id }.max_by(&:order)

  # The places of the last ask, less those that were struck for what stands now; the last one cannot be struck.
  def places(name, step)
    fixed = last_line(name, step)&.places || []
    struck = ruled(name, step, :strikes)
    named = fixed.compact - struck
    left = named + ([nil] * [fixed.count(nil) - struck.count(nil), 0].max)
    left.empty? ? fixed : left
  end

  # Of them those that neither a yes nor somebody with the right to it has filled.
  def open_places(name, step)
    filled = step.people.union(last_line(name, step)&.people || []).select { |who| yes_of?(name, step, who) }
    ruled = ruled(name, step, :fills)
    named = places(name, step).compact
    others = (filled - named).size + ruled.count(nil)
    others = filled.size + ruled.count(nil) if named.empty?
    (named - filled - ruled) + ([nil] * [places(name, step).count(nil) - others, 0].max)
  end

  def ruled(name, step, kind)
    one = @ones.fetch(name)
    one[kind].select { |id, content, _| id == step.id && content == one.content }.map(&:last)
  end

  # A step that somebody dropped on record is passed no more.
  def drop(step)
    @dropped << step.id
    end_lines(step, @ones.reject { |_, one| one.sent }.keys, :withdrawn)
  end

  def end_lines(step, names, state)
    @lines
      .select { |line| line.step == step.id }
      .each { |line| names.each { |name| line.state[name] = state if line.state[name] == :open } }
  end

  # Of a line that was withdrawn, what stands as it was asked and was asked nowhere since, as long as its step was not
  # dropped.
  def returns(line)
    return [] unless steps.any? { |step| step.id == line.step }

    line.state.keys.select do |name|
      one = @ones.fetch(name)
      line.state[name] == :withdrawn && !one.sent && one.content == line.asked[name].first && !one.opened &&
        lines_of(name).none? { |other| other.state[name] == :open || other.order > line.order }
    end
  end

  # Whose latest verdict at this step on this adaptation, whatever its content, is a yes on the current one.
  def yes_of?(name, step, who)
    one = @ones.fetch(name)
    said =
      one
        .answers
        .select { |answer| answer.who == who && answer.step == step.id && (answer.verdict != "yes" || answer.counts) }
        .max_by(&:order)
    !said.nil? && said.verdict == "yes" && said.content == one.content && same_time?(said.instant, one.instant)
  end

  def blocked?(name)
    @ones
      .fetch(name)
      .answers
      .any? { |answer| answer.verdict != "yes" && required?(answer.step) && stands_in_the_way?(name, answer) }
  end

  def blocked_at?(name, step) = @ones.fetch(name).answers.any? { |answer| blocks_at?(name, answer, step) }

  def own_block?(name, who, step)
    @ones
      .fetch(name)
      .answers
      .any? do |answer|
        answer.verdict != "yes" && answer.who == who && answer.step == step && required?(step) &&
          stands_in_the_way?(name, answer)
      end
  end

  # What becomes of an answer: for each adaptation that the page showed, :kept, :lifts (kept, and fills no place) or
  # :refused.
  def predict(line, who, verdict, seen, shown)
    shown.to_h do |name|
      one = @ones.fetch(name)
      fate =
        if one.sent || @gone.include?(who)
          :refused
        elsif verdict != "yes"
          :kept
        else
          yes_fate(line, name, one, who, seen)
        end
      [name, fate]
    end
  end

  def take(line, who, verdict, order, fates)
    fates
      .reject { |_, fate| fate == :refused }
      .each do |name, fate|
        one = @ones.fetch(name)
        content, instant, = line.asked.fetch(name)
        said_yes(one) if verdict == "yes" && fate == :kept
        one.answers << Answer.new(
          who: who,
          step: line.step,
          verdict: verdict,
          content: content,
          stood: one.content,
          instant: instant,
          counts: fate == :kept,
          order: order
        )
      end
    step = steps.find { |known| known.id == line.step } or return
    line.asked.each_key do |name|
      line.state[name] = :answered if line.state[name] == :open &&
        (satisfied?(name, step) || @ones[name].answers.any? { |answer| blocks_at?(name, answer, step) })
    end
  end

  # A new yes goes before what a person had stopped.
  def said_yes(one)
    one.opened_since = false
    one.taken_back = false
  end

  def ask(line)
    line.asked.each do |name, (content, instant, _)|
      lines_of(name).each do |older|
        same = older.asked[name].first == content && same_time?(older.asked[name][1], instant)
        older.state[name] = :outdated if older.state[name] == :open && (older.step == line.step || !same)
      end
      @ones[name].opened = false
    end
    @lines << line
  end

  def open(name)
    lines_of(name).each { |line| line.state[name] = :withdrawn if line.state[name] == :open }
    @ones[name].opened = true
    @ones[name].opened_since = true
  end

  def withdraw(lines)
    lines.each { |line| line.state.each_key { |name| line.state[name] = :withdrawn if line.state[name] == :open } }
  end

  # A block, an opening or a yes made void ends a release; so does other content or another time.
  def settle
    @ones.each do |name, one|
      one.released = nil if one.released && !one.sent &&
        !(releasable?(name) && one.released == [one.content, one.instant])
    end
  end

  private

  def required?(step) = steps.find { |one| one.id == step }&.required || false
  def lines_of(name) = @lines.select { |line| line.asked.key?(name) }
  def open_line?(name) = lines_of(name).any? { |line| line.state[name] == :open }
  def counting?(name) = steps.any? { |step| step.people.any? { |who| yes_of?(name, step, who) } }

  def drafting?(name)
    one = @ones.fetch(name)
    return true if one.opened
    return one.ready != one.content if steps.none?(&:required)

    !open_line?(name) && !counting?(name) && !skipped?(name)
  end

  # A step of what must be passed, for what stands now.
  def skipped?(name)
    one = @ones.fetch(name)
    steps.any? { |step| one.skips.include?([step.id, one.content]) }
  end

  def blocks_at?(name, answer, step)
    answer.step == step.id && answer.verdict != "yes" && step.required && stands_in_the_way?(name, answer)
  end

  def aside?(one, refusal)
    one.aside.any? { |step, who, order| [step, who] == [refusal.step, refusal.who] && order > refusal.order }
  end

  def stands_in_the_way?(name, refusal)
    one = @ones.fetch(name)
    return false if aside?(one, refusal)

    yeses =
      one.answers.select do |answer|
        answer.verdict == "yes" && !answer.in_name && answer.who == refusal.who && answer.step == refusal.step &&
          answer.order > refusal.order
      end
    anew =
      lines_of(name).any? do |line|
        line.step == refusal.step && line.order > refusal.order &&
          ![refusal.content, refusal.stood].include?(line.asked[name].first)
      end
    (yeses.empty? && !anew) || (one.content == refusal.content && yeses.none? { |yes| yes.content == refusal.content })
  end

  def yes_fate(line, name, one, who, seen)
    content, instant, authors = line.asked.fetch(name)
    last = one.answers.select { |answer| answer.who == who && answer.step == line.step }.map(&:order).max || 0
    return :refused if last > seen
    ended = %i[withdrawn outdated].include?(line.state[name])
    lifts = ended && content == one.content && own_block?(name, who, line.step)
    return :lifts if lifts

    return :refused if ended
    return :refused unless same_time?(instant, one.instant)

    known = content == one.content ? one.authors : authors
    return :refused if known.include?(who)

    content == one.content ? :kept : :lifts
  end
end
