# frozen_string_literal: true

# The handbook of sign-off: bad histories and what each comes to. Sources: the product's own rules; the trade's habits
# are "common practice, no source".
RSpec.describe AskFirst::Core::Signoff::Verdict do
  signoff = AskFirst::Core::Signoff
  now = Time.utc(2026, 10, 14, 9, 20)
  thursday = AskFirst::Core::Plan::WallTime.parse("2026-10-15T07:30", "Europe/Lisbon")
  later_thursday = AskFirst::Core::Plan::WallTime.parse("2026-10-15T19:00", "Europe/Lisbon")
  friday = AskFirst::Core::Plan::WallTime.parse("2026-10-16T07:30", "Europe/Lisbon")

  # A history is told in order; `a` and `b` are contents.
  let(:history) do
    Struct.new(:asked, :answers, :rulings, :order) { def next_order = self.order += 1 }.new([], [], [], 0)
  end
  let(:inside) do
    signoff::Step.new(
      id: "in",
      position: 0,
      name: "Read",
      side: "internal",
      quorum: "any",
      required: true,
      four_eyes: true,
      people: %w[wren ines],
      hours: 8
    )
  end
  let(:client) do
    signoff::Step.new(
      id: "cl",
      position: 1,
      name: "Client",
      side: "client",
      quorum: "any",
      required: true,
      four_eyes: true,
      people: %w[odile per],
      hours: 24
    )
  end
  let(:steps) { [inside, client] }
  let(:base) do
    {
      fingerprint: "a",
      time: thursday,
      policy: "local_date",
      zone: "Europe/Lisbon",
      opened: false,
      ready: nil,
      holds: [],
      released: nil,
      showing: nil
    }
  end

  def ask(
    step,
    on: "a",
    open: true,
    people: step.people,
    time: AskFirst::Core::Plan::WallTime.parse("2026-10-15T07:30", "Europe/Lisbon")
  )
    places = step.quorum == "all" ? people : [nil] * (step.n || 1)
    history.asked << AskFirst::Core::Signoff::Asked.new(
      step_id: step.id,
      fingerprint: on,
      time: time,
      places: places,
      people: people,
      order: history.next_order,
      open: open,
      at: Time.now,
      due_at: Time.now
    )
  end

  def answer(
    step,
    who,
    verdict = "yes",
    on: "a",
    time: AskFirst::Core::Plan::WallTime.parse("2026-10-15T07:30", "Europe/Lisbon"),
    author: false,
    stood: on,
    eligible: true
  )
    history.answers << AskFirst::Core::Signoff::Answer.new(
      step_id: step.id,
      person_id: who,
      verdict: verdict,
      fingerprint: on,
      stood: stood,
      time: time,
      eligible: eligible,
      author: author,
      order: history.next_order,
      words: "",
      at: Time.now
    )
  end

  def ruling(kind, step, on: "a", person: nil)
    history.rulings << AskFirst::Core::Signoff::Ruling.new(
      kind: kind,
      step_id: step.id,
      place_person_id: person,
      fingerprint: on,
      order: history.next_order
    )
  end

  def verdict(**now_so)
    facts =
      AskFirst::Core::Signoff::Facts.new(
        steps: steps,
        asked: history.asked,
        answers: history.answers,
        rulings: history.rulings,
        **base.merge(now_so)
      )
    AskFirst::Core::Signoff::Verdict.call(facts, Time.utc(2026, 10, 14, 9, 20))
  end

  def stage(**now_so) = verdict(**now_so).stage
  def states(**now_so) = verdict(**now_so).steps.map(&:state)

  def cleared
    ask(inside, open: false)
    answer(inside, "wren")
    ask(client, open: false)
    answer(client, "odile")
  end

  describe "the way of a post" do
    it "is drafting until something is asked" do
      expect(stage).to eq "drafting"
      expect(states).to eq %w[not_asked not_asked]
    end

    it "goes through internal review and client approval to cleared" do
      ask(inside)
      expect(stage).to eq "internal_review"
      answer(inside, "wren")
      expect(stage).to eq "client_approval"
      ask(client)
      expect(states).to eq %w[yes asked]
      answer(client, "odile")
      expect(stage).to eq "cleared"
    end

    it "is released, then out" do
      cleared
      expect(stage(released: { fingerprint: "a", time: thursday })).to eq "released"
      expect(stage(released: { fingerprint: "a", time: thursday }, showing: "sending")).to eq "released"
      expect(stage(showing: "out")).to eq "out"
    end

    it "is never cleared by silence: an ask past its time is still only an ask" do
      ask(inside, open: false)
      expect(stage).to eq "drafting"
      expect(verdict).not_to be_releasable
    end

    it "is not cleared by a client's yes when the house's is missing" do
      ask(client)
      answer(client, "odile")
      expect(stage).to eq "internal_review"
    end
  end

  describe "a yes belongs to a fingerprint" do
    before { cleared }

    it "is void when the content changes" do
      expect(stage(fingerprint: "b")).to eq "drafting"
      expect(states(fingerprint: "b")).to eq %w[void void]
    end

    it "counts again when the content is put back as it was" do
      expect(stage(fingerprint: "a")).to eq "cleared"
    end

    it "does not count while a picture has not been rendered" do
      expect(verdict(fingerprint: nil)).not_to be_releasable
    end

    it "does not count again once its giver has said something else about other content since" do
      ask(client, on: "b", open: false)
      answer(client, "odile", "change", on: "b")
      ask(client, on: "a", open: false)
      expect(states).to eq %w[yes not_asked]
      expect(stage).to eq "client_approval"
    end

    it "does not count while somebody has it open to change it" do
      expect(stage(opened: true)).to eq "drafting"
      expect(verdict(opened: true)).not_to be_sealed
    end
  end

  describe "a change or a no" do
    before do
      ask(inside, open: false)
      answer(inside, "wren")
      ask(client, open: false)
    end

    it "sends the adaptation back" do
      answer(client, "per", "change")
      expect(stage).to eq "changes_wanted"
      expect(states).to eq %w[yes change]
    end

    it "counts whatever it echoes, also content that is no longer there" do
      answer(client, "per", "change", on: "older")
      expect(stage).to eq "changes_wanted"
    end

    it "blocks although somebody else says yes: two people answered at once" do
      answer(client, "odile")
      answer(client, "per", "change")
      expect(stage).to eq "changes_wanted"
    end

    it "is lifted by its giver's own yes" do
      answer(client, "per", "change")
      answer(client, "per")
      expect(stage).to eq "cleared"
    end

    it "is lifted when the step is asked again on other content" do
      answer(client, "per", "change")
      ask(inside, on: "b", open: false)
      answer(inside, "wren", on: "b")
      ask(client, on: "b")
      expect(stage(fingerprint: "b")).to eq "client_approval"
    end

    it "still blocks its own fingerprint when that comes back, until its giver says yes to it" do
      answer(client, "per", "change")
      ask(client, on: "b", open: false)
      ask(client, on: "a")
      expect(stage).to eq "changes_wanted"
      answer(client, "per", on: "a")
      expect(stage).to eq "cleared"
    end

    it "is not lifted by asking again about the same content" do
      answer(client, "per", "change")
      ask(client)
      expect(stage).to eq "changes_wanted"
    end

    it "is lifted by nobody else's yes, nor by its giver's yes at another step" do
      answer(client, "per", "change")
      answer(client, "odile")
      answer(inside, "per")
      expect(stage).to eq "changes_wanted"
      expect(verdict.blocks.map(&:person_id)).to eq ["per"]
    end

    it "said twice of the same content is one, the later" do
      answer(client, "per", "change")
      answer(client, "per", "no")
      answer(client, "odile", "change")
      expect(verdict.blocks.map { |one| [one.person_id, one.verdict] }).to eq [%w[per no], %w[odile change]]
    end

    it "said of one content and then of another stands in the way of both" do
      answer(client, "per", "change")
      answer(client, "per", "change", on: "b")
      expect(verdict.blocks.map(&:fingerprint)).to eq %w[a b]
      answer(client, "per", on: "b")
      expect(stage(fingerprint: "b")).to eq "internal_review" # nothing in the way; wren's yes was for the other content
      expect(stage(fingerprint: "a")).to eq "changes_wanted"
    end

    it "is not lifted by an ask at another step" do
      answer(client, "per", "change")
      ask(inside, on: "b")
      answer(inside, "wren", on: "b")
      expect(stage(fingerprint: "b")).to eq "changes_wanted"
    end

    it "of a step that was dropped on record blocks nothing" do
      answer(client, "per", "change")
      steps.delete(client)
      expect(stage).to eq "cleared"
      expect(verdict.blocks).to eq []
    end

    it "of an advisory step blocks nothing" do
      client.required = false
      answer(client, "per", "no")
      expect(stage).to eq "cleared"
    end
  end

  describe "places" do
    it "with `all`, every person must say yes" do
      client.quorum = "all"
      ask(inside, open: false)
      answer(inside, "wren")
      ask(client)
      answer(client, "odile")
      expect(stage).to eq "client_approval"
      expect(verdict.steps.last.waiting_for).to eq ["per"]
      answer(client, "per")
      expect(stage).to eq "cleared"
    end

    it "with `n`, one person fills one place only, however often they say yes" do
      client.quorum = "n"
      client.n = 2
      ask(inside, open: false)
      answer(inside, "wren")
      ask(client)
      2.times { answer(client, "odile") }
      expect(stage).to eq "client_approval"
      answer(client, "per")
      expect(stage).to eq "cleared"
    end

    it "are not filled by an author of the content (four eyes)" do
      ask(inside)
      answer(inside, "wren", author: true)
      expect(stage).to eq "internal_review"
    end

    it "may be filled by an author where the route allows it" do
      inside.four_eyes = false
      ask(inside)
      answer(inside, "wren", author: true)
      expect(stage).to eq "client_approval"
    end

    it "can be struck on record, but not the last one" do
      client.quorum = "all"
      ask(inside, open: false)
      answer(inside, "wren")
      ask(client)
      answer(client, "odile")
      ruling("strike", client, person: "per")
      expect(stage).to eq "cleared"
      ruling("strike", client, person: "odile")
      history.answers.clear
      answer(inside, "wren")
      expect(stage).to eq "client_approval"
    end

    it "can be filled on record by someone who may" do
      client.quorum = "all"
      ask(inside, open: false)
      answer(inside, "wren")
      ask(client)
      answer(client, "odile")
      ruling("fill", client, person: "per")
      expect(stage).to eq "cleared"
    end
  end

  describe "who is waited for" do
    it "is nobody before an ask, those asked while it is open, and nobody once it has its yes" do
      expect(verdict.steps.first.waiting_for).to eq []
      ask(inside)
      expect(verdict.steps.first.waiting_for).to eq %w[wren ines]
      answer(inside, "ines")
      expect(verdict.steps.first.waiting_for).to eq []
    end

    it "is not who has answered, whatever they said" do
      client.quorum = "all"
      ask(client)
      answer(client, "per", "change")
      expect(verdict.steps.last.waiting_for).to eq ["odile"]
    end

    it "is also who answered an older content, or before this ask" do
      client.quorum = "all"
      answer(client, "odile", "change")
      ask(client)
      answer(client, "per", "change", on: "older")
      expect(verdict.steps.last.waiting_for).to eq %w[odile per]
    end

    it "is who was asked last, where it was asked twice" do
      ask(client, people: ["odile"])
      ask(client, people: ["per"])
      expect(verdict.steps.last.waiting_for).to eq ["per"]
    end

    it "of two that are needed is the one who has not said yes yet" do
      client.quorum = "n"
      client.n = 2
      ask(client)
      answer(client, "odile")
      expect(verdict.steps.last.waiting_for).to eq ["per"]
    end

    it "is nobody whose ask was withdrawn" do
      ask(inside, open: false)
      expect(verdict.steps.first.waiting_for).to eq []
    end
  end

  describe "a ruling" do
    before do
      ask(inside, open: false)
      answer(inside, "wren")
    end

    it "fills an open place, for exactly its step and its content" do
      ask(client)
      ruling("fill", client, on: "b")
      ruling("fill", inside)
      expect(stage).to eq "client_approval"
      ruling("fill", client)
      expect(stage).to eq "cleared"
    end

    it "fills one open place of two, and a yes the other" do
      client.quorum = "n"
      client.n = 2
      ask(client)
      ruling("fill", client)
      expect(stage).to eq "client_approval"
      answer(client, "odile")
      expect(stage).to eq "cleared"
    end

    it "for a person's place fills nobody else's" do
      client.quorum = "all"
      ask(client)
      answer(client, "odile")
      ruling("fill", client, person: "odile")
      ruling("fill", client)
      expect(stage).to eq "client_approval"
      ruling("strike", client, on: "b", person: "per")
      expect(stage).to eq "client_approval"
    end

    it "fills no place of a step that was never asked: it has none" do
      ruling("fill", client)
      expect(stage).to eq "client_approval"
    end

    it "counts by the places that the last ask fixed" do
      client.quorum = "all"
      ask(client, people: %w[odile per], open: false)
      ask(client, people: ["odile"])
      answer(client, "odile")
      expect(stage).to eq "cleared"
    end
  end

  it "the last place cannot be struck: struck all the same, it is there to be filled" do
    steps.pop
    ask(inside)
    ruling("strike", inside)
    expect(stage).to eq "internal_review"
    answer(inside, "wren")
    expect(stage).to eq "cleared"
  end

  it "a yes that somebody else gave in their name lifts no block" do
    ask(inside)
    answer(inside, "wren", "no")
    answer(inside, "wren")
    expect(stage).not_to eq "changes_wanted"
    history.answers.last.given_by = "bram"
    expect(stage).to eq "changes_wanted"
  end

  it "a hold holds nothing that lacks a yes, though it was released" do
    steps.pop
    ask(inside)
    released = { fingerprint: "a", time: AskFirst::Core::Plan::WallTime.parse("2026-10-15T07:30", "Europe/Lisbon") }
    hold = [AskFirst::Core::Signoff::Hold.new(until: nil)]
    expect(stage(released: released, holds: hold)).to eq "internal_review"
    answer(inside, "wren")
    expect(stage(released: released, holds: hold)).to eq "held"
    answer(inside, "ines", "change")
    expect(stage(released: released, holds: hold)).to eq "changes_wanted"
  end

  describe "a block that was set aside" do
    let(:steps) { [inside] }

    before do
      ask(inside)
      answer(inside, "wren", "no")
    end

    it "blocks no more, on this content and any other; the step waits as before" do
      expect(stage).to eq "changes_wanted"
      ruling("set_aside", inside, person: "wren")
      expect(stage).to eq "internal_review"
      expect(stage(fingerprint: "b")).to eq "internal_review"
      expect(verdict.steps.first.set_aside.size).to eq 1
      answer(inside, "ines")
      expect(stage).to eq "cleared"
    end

    it "is one person's at one step, and said before: another's, and a later one, blocks" do
      answer(inside, "ines", "change")
      ruling("set_aside", inside, person: "wren")
      expect(verdict.blocks.map(&:person_id)).to eq ["ines"]
      ruling("set_aside", inside, person: "ines")
      expect(verdict.blocks).to eq []
      answer(inside, "wren", "change", on: "b")
      expect(verdict.blocks.map(&:person_id)).to eq ["wren"]
    end

    it "at another step is another one" do
      ruling("set_aside", client, person: "wren")
      expect(stage).to eq "changes_wanted"
    end
  end

  describe "a skip" do
    it "of the only step clears a post that nobody was asked about" do
      steps.delete(client)
      ruling("skip", inside)
      expect(stage).to eq "cleared"
      expect(states).to eq ["skipped"]
    end

    it "is shown behind a change that stands in the way" do
      ruling("skip", client)
      answer(client, "per", "change")
      expect(states.last).to eq "change"
    end

    it "satisfies the step for exactly the content it was said of" do
      ask(inside, open: false)
      answer(inside, "wren")
      ruling("skip", client)
      expect(stage).to eq "cleared"
      expect(states).to eq %w[yes skipped]
      expect(stage(fingerprint: "b")).not_to eq "cleared"
    end
  end

  describe "the planned time" do
    before { cleared }

    it "by default voids a yes only when the local date differs" do
      expect(stage(time: later_thursday)).to eq "cleared"
      expect(stage(time: friday)).to eq "drafting"
    end

    it "never voids, or always, where the client's rule says so" do
      expect(stage(policy: "never", time: friday)).to eq "cleared"
      expect(stage(policy: "always", time: later_thursday)).to eq "drafting"
    end

    it "is compared as the client's own date, in whatever zone the post is planned" do
      melbourne = ->(wall) { AskFirst::Core::Plan::WallTime.parse(wall, "Australia/Melbourne") }
      # Thursday 7:30 in Lisbon is Thursday 17:30 in Melbourne (summer time there, UTC+11)
      expect(stage(time: melbourne.call("2026-10-15T17:30"))).to eq "cleared" # the same instant, written elsewhere
      expect(stage(policy: "always", time: melbourne.call("2026-10-15T17:30"))).to eq "cleared"
      # Friday there, and still Thursday for the client
      expect(stage(time: melbourne.call("2026-10-16T05:00"))).to eq "cleared"
      # Thursday there, and Wednesday for the client
      expect(stage(time: melbourne.call("2026-10-15T09:00"))).to eq "drafting"
    end

    it "of a release is its instant: written in another zone it is the same release" do
      same = AskFirst::Core::Plan::WallTime.parse("2026-10-15T17:30", "Australia/Melbourne")
      expect(verdict(released: { fingerprint: "a", time: thursday }, time: same).release_stands?).to be true
    end

    it "of an open ask that holds no more is not what is planned: it is to be asked anew" do
      ask(client, time: friday)
      standing = verdict.steps.last
      expect([standing.asked_for_another_time?, standing.asked_as_it_stands?]).to eq [true, false]
      expect(verdict(time: friday).steps.last.asked_as_it_stands?).to be true
      expect(verdict(time: friday, fingerprint: "b").steps.last.asked_as_it_stands?).to be false
    end

    it "moved from a day to none is another day" do
      expect(stage(time: nil)).to eq "drafting"
    end

    it "ends a release that was for another time" do
      released = { fingerprint: "a", time: thursday }
      expect(verdict(released: released).release_stands?).to be true
      expect(verdict(released: released, time: later_thursday).release_stands?).to be false
    end
  end

  describe "a release" do
    before { cleared }

    it "stands only for its own content" do
      expect(verdict(released: { fingerprint: "b", time: thursday }).release_stands?).to be false
      expect(verdict(released: { fingerprint: "a", time: thursday }).release_stands?).to be true
    end

    it "is possible for nothing that has not been rendered, however it was said to be ready" do
      expect(verdict(fingerprint: nil).releasable?).to be false
      steps.clear
      expect(verdict(fingerprint: nil, ready: nil).releasable?).to be false
      expect(stage(fingerprint: nil, ready: nil)).to eq "drafting"
    end
  end

  describe "an answer on a line that had ended" do
    before { cleared }

    it "fills no place: withdrawn, then changed and taken back by the same person, it is not cleared" do
      answer(client, "odile", "change")
      expect(stage).to eq "changes_wanted"
      answer(client, "odile", eligible: false)
      expect(stage).to eq "client_approval"
      expect(verdict.releasable?).to be false
    end

    it "leaves an earlier good yes as it is" do
      answer(client, "odile", eligible: false)
      expect(stage).to eq "cleared"
    end

    it "lifts no block that its giver has at another step" do
      answer(inside, "wren", "change")
      answer(client, "wren", eligible: false)
      expect(stage).to eq "changes_wanted"
    end
  end

  describe "a change about older content" do
    before { cleared }

    it "is not lifted by asking again what stood when it was given" do
      answer(client, "odile", "change", on: "before", stood: "a")
      expect(stage).to eq "changes_wanted"
      ask(client)
      expect(stage).to eq "changes_wanted"
      ask(client, on: "c")
      expect(stage(fingerprint: "c")).to eq "internal_review"
    end

    it "comes before drafting: what was opened under it is still wanted changed" do
      answer(client, "odile", "change")
      expect(stage(opened: true)).to eq "changes_wanted"
    end
  end

  describe "holds and trouble" do
    before { cleared }

    let(:released) do
      { fingerprint: "a", time: AskFirst::Core::Plan::WallTime.parse("2026-10-15T07:30", "Europe/Lisbon") }
    end
    let(:hold) { AskFirst::Core::Signoff::Hold.new(until: nil) }

    it "a hold pauses what is released and nothing else" do
      expect(stage(holds: [hold])).to eq "cleared"
      expect(stage(holds: [hold], released: released)).to eq "held"
    end

    it "a hold with an end says when the stage will change by itself" do
      hold.until = now + 3600
      expect(verdict(holds: [hold], released: released).changes_at).to eq now + 3600
      hold.until = now - 1
      expect(stage(holds: [hold], released: released)).to eq "released"
    end

    it "the first of several holds to end says when to look again; one without an end says nothing" do
      holds = [now + 7200, now + 3600, nil].map { |at| AskFirst::Core::Signoff::Hold.new(until: at) }
      expect(verdict(holds: holds, released: released).changes_at).to eq now + 3600
      expect(verdict(holds: [holds.last], released: released).changes_at).to be_nil
      expect(verdict(holds: holds).changes_at).to be_nil # nothing is released, so nothing is held
    end

    it "a hold ends with the moment that it names" do
      hold.until = now
      expect(stage(holds: [hold], released: released)).to eq "released"
      hold.until = now + 1
      expect(stage(holds: [hold], released: released)).to eq "held"
    end

    it "trouble comes before everything" do
      expect(stage(holds: [hold], released: released, showing: "trouble")).to eq "trouble"
    end
  end

  describe "the seal" do
    it "is on from the first open ask, and off where nothing was asked or somebody opened it" do
      expect(verdict).not_to be_sealed
      ask(inside)
      expect(verdict).to be_sealed
      expect(verdict(opened: true)).not_to be_sealed
    end

    it "is off after a change, when no yes counts: the copywriter can go on at once" do
      ask(inside, open: false)
      answer(inside, "wren", "change")
      expect(verdict).not_to be_sealed
    end

    it "is on while a yes counts or a release stands, also without an open ask" do
      ask(inside, open: false)
      answer(inside, "wren")
      expect(verdict).to be_sealed
      expect(verdict(fingerprint: "b")).not_to be_sealed
      expect(verdict(fingerprint: "b", released: { fingerprint: "a", time: thursday })).to be_sealed
    end

    it "knows what is on its way" do
      expect(%w[sending unclear].map { |showing| verdict(showing: showing).sending? }).to eq [true, true]
      expect([nil, "planned", "out", "trouble"].map { |showing| verdict(showing: showing).sending? }).to eq [false] * 4
    end

    it "never comes off while it is being sent or once it is out" do
      cleared
      %w[sending unclear out].each { |showing| expect(verdict(showing: showing, opened: true)).to be_sealed }
    end
  end

  describe "a route without a required step" do
    let(:steps) { [] }

    it "waits for somebody to mark exactly this content ready" do
      expect(stage).to eq "drafting"
      expect(stage(ready: "a")).to eq "cleared"
      expect(stage(ready: "b")).to eq "drafting"
    end
  end

  it "is a function: the same facts give the same stage, and every stage has its line in the table" do
    cleared
    expect(Array.new(3) { stage }).to eq %w[cleared cleared cleared]
    expect(signoff::Stages::NAMES).to match_array signoff::Stages::ORDER
  end

  # Property: random histories never clear without a counting yes for every required step, and a block always shows.
  it "never clears what lacks a yes, whatever the history" do
    random = Random.new(1)
    400.times do
      history.asked.clear
      history.answers.clear
      random
        .rand(1..8)
        .times do
          step = steps.sample(random: random)
          content = %w[a b].sample(random: random)
          if random.rand < 0.4
            ask(step, on: content, open: random.rand < 0.5)
          else
            answer(step, step.people.sample(random: random), %w[yes yes change].sample(random: random), on: content)
          end
        end
      v = verdict
      next unless v.releasable?

      latest = history.answers.group_by { |one| [one.step_id, one.person_id] }.transform_values(&:last)
      steps.each do |step|
        expect(
          latest.values.any? { |one| one.step_id == step.id && one.verdict == "yes" && one.fingerprint == "a" }
        ).to be true
      end
      expect(history.answers.select { |one| one.verdict == "change" && one.fingerprint == "a" }).to all(
        satisfy do |one|
          history.answers.any? do |yes|
            yes.verdict == "yes" && yes.person_id == one.person_id && yes.order > one.order && yes.fingerprint == "a"
          end
        end
      )
    end
  end
end

RSpec.describe AskFirst::Core::Signoff::Stages do
  it "puts a post where its least advanced adaptation stands, trouble and held first" do
    expect(described_class.of_post(%w[out cleared drafting])).to eq "drafting"
    expect(described_class.of_post(%w[out held released])).to eq "held"
    expect(described_class.of_post(%w[held trouble])).to eq "trouble"
    expect(described_class.of_post(%w[out out])).to eq "out"
    expect(described_class.of_post([])).to eq "drafting"
  end
end

RSpec.describe AskFirst::Core::Signoff::Demand do
  def step(id, position, side = "internal")
    AskFirst::Core::Signoff::Step.new(id: id, position: position, side: side)
  end

  def facts(**more)
    AskFirst::Core::Signoff::Condition::Facts.new(labels: [], channel: "ticker", format: nil, budget: nil, **more)
  end

  def demand(route, asked, dropped, facts: self.facts, own: [])
    described_class.of(route, asked, dropped, facts: facts, own: own).map(&:id)
  end

  it "is today's route plus every step that was ever asked, less what was dropped on record" do
    route = [step("read", 0), step("client", 2, "client")]
    old = step("legal", 1)
    expect(demand(route, [old, route.first], [])).to eq %w[read legal client]
    expect(demand(route, [old], ["legal"])).to eq %w[read client]
    expect(demand([], [old], [])).to eq ["legal"]
  end

  it "has a step with a condition only where it is met, and keeps it where it was asked, whatever changes after" do
    legal = step("legal", 1).tap { |one| one.condition = AskFirst::Core::Signoff::Condition.new("labels" => ["price"]) }
    expect(demand([legal], [], [])).to eq []
    expect(demand([legal], [], [], facts: facts(labels: ["price"]))).to eq ["legal"]
    expect(demand([legal], [legal], [], own: ["legal"])).to eq ["legal"]
    # asked of another channel of the same post
    expect(demand([legal], [legal], [])).to eq []
    expect(demand([], [legal], [], facts: facts(labels: ["price"]))).to eq ["legal"]
  end

  it "stands in order of position, the house before the client, whatever the order in which it comes" do
    same = [step("c", 1, "client"), step("b", 1), step("a", 1), step("z", 0, "client")]
    same.permutation { |order| expect(demand(order, [], [])).to eq %w[z a b c] }
  end
end

RSpec.describe AskFirst::Core::Signoff::Cost do
  let(:names) { { "wren" => "Wren", "odile" => "Odile" } }
  let(:time) { AskFirst::Core::Plan::WallTime.parse("2026-10-15T07:30", "Europe/Lisbon") }
  let(:step) do
    AskFirst::Core::Signoff::Step.new(
      id: "in",
      position: 0,
      name: "Read",
      side: "internal",
      quorum: "any",
      required: true,
      four_eyes: true,
      people: ["wren"],
      hours: 8
    )
  end

  def verdict(released: nil, open: false, answers: [])
    asked = [
      AskFirst::Core::Signoff::Asked.new(
        step_id: "in",
        fingerprint: "a",
        places: [nil],
        people: ["wren"],
        order: 1,
        open: open
      )
    ]
    given =
      answers.map do |who|
        AskFirst::Core::Signoff::Answer.new(
          step_id: "in",
          person_id: who,
          verdict: "yes",
          fingerprint: "a",
          time: time,
          eligible: true,
          author: false,
          order: 2
        )
      end
    AskFirst::Core::Signoff::Verdict.call(
      AskFirst::Core::Signoff::Facts.new(
        steps: [step],
        fingerprint: "a",
        time: time,
        policy: "local_date",
        zone: "Europe/Lisbon",
        opened: false,
        asked: asked,
        answers: given,
        rulings: [],
        holds: [],
        released: released
      ),
      Time.now
    )
  end

  it "says what opening costs: asks, releases, yeses" do
    expect(described_class.of_opening(verdict(open: true), names)).to eq ["The ask to Wren is withdrawn."]
    expect(
      described_class.of_opening(verdict(answers: ["wren"], released: { fingerprint: "a", time: time }), names)
    ).to eq ["Its release ends.", "Wren’s yes will not count on other content."]
  end

  it "says of a release whether it goes along, also where no yes was needed" do
    other_day = AskFirst::Core::Plan::WallTime.parse("2026-10-16T07:30", "Europe/Lisbon")
    released = { fingerprint: "a", time: time }
    expect(described_class.of_time(verdict(released: released), other_day, names)).to eq ["Its release moves with it."]
    expect(described_class.of_time(verdict(released: released), nil, names)).to eq ["Its release ends."]
    never = verdict(answers: ["wren"], released: released)
    never.facts.policy = "never"
    expect(described_class.of_time(never, nil, names)).to eq ["Wren’s yes still counts.", "Its release ends."]
    expect(described_class.of_time(never, other_day, names)).to eq [
         "Wren’s yes still counts.",
         "Its release moves with it."
       ]
  end

  it "names one person once, and several as one would" do
    names.update("ines" => "Ines", "maro" => "Maro")
    expect(described_class.of_opening(verdict(answers: %w[wren ines]), names)).to eq [
         "The yeses of Wren and Ines will not count on other content."
       ]
    expect(described_class.of_opening(verdict(answers: %w[wren ines maro]), names)).to eq [
         "The yeses of Wren, Ines and Maro will not count on other content."
       ]
    expect(described_class.of_time(verdict(answers: %w[wren ines]), time, names)).to eq [
         "The yeses of Wren and Ines still count."
       ]
  end

  it "counts people, not yeses: one who said yes at two steps has one" do
    second = step.dup.tap { |one| one.id = "in2" }
    facts = verdict(answers: ["wren"]).facts
    facts.steps += [second]
    facts.answers += [facts.answers.first.dup.tap { |one| one.step_id = "in2" }]
    both = AskFirst::Core::Signoff::Verdict.call(facts, Time.now)
    expect(described_class.of_opening(both, names)).to eq ["Wren’s yes will not count on other content."]
    expect(described_class.of_time(both, time, names)).to eq ["Wren’s yes still counts."]
    expect(described_class.of_time(both, nil, names)).to eq [
         "Wren’s yes will not count without a time and must be asked again."
       ]
  end

  it "says what another time costs, or that it costs nothing" do
    other_day = AskFirst::Core::Plan::WallTime.parse("2026-10-16T07:30", "Europe/Lisbon")
    same_day = AskFirst::Core::Plan::WallTime.parse("2026-10-15T09:30", "Europe/Lisbon")
    expect(described_class.of_time(verdict(answers: ["wren"]), other_day, names)).to eq [
         "Wren’s yes will not count for that day and must be asked again."
       ]
    expect(described_class.of_time(verdict(answers: ["wren"], released: {}), same_day, names)).to eq [
         "Wren’s yes still counts.",
         "Its release moves with it."
       ]
    expect(described_class.of_time(verdict, other_day, names)).to eq []
  end
end
