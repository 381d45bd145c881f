# frozen_string_literal: true

# Whether anybody is left who can answer what was asked.
RSpec.describe AskFirst::Core::Signoff::StillAble do
  signoff = AskFirst::Core::Signoff
  now = Time.utc(2026, 10, 14, 9)
  let(:authors) { [] }

  def person(id, **more)
    here = {
      abilities: %w[answer_internal answer_client],
      limited: false,
      channels: [],
      ended_at: nil,
      access_until: nil
    }
    { id: id, **here, **more }
  end

  def step(quorum: "any", n: nil, four_eyes: true)
    AskFirst::Core::Signoff::Step.new(
      id: "s",
      position: 0,
      name: "Read",
      side: "internal",
      quorum: quorum,
      n: n,
      required: true,
      four_eyes: four_eyes,
      people: %w[wren ines],
      hours: 8
    )
  end

  # Asked of Wren and Ines, on one content.
  define_method(:verdict) do |step, rulings: [], answers: []|
    places = step.quorum == "all" ? step.people : [nil] * (step.n || 1)
    told = { step_id: "s", fingerprint: "a", places: places, people: step.people, order: 1, open: true }
    facts =
      signoff::Facts.new(
        steps: [step],
        asked: [signoff::Asked.new(**told, at: now, due_at: now + 60)],
        answers: answers,
        rulings: rulings,
        fingerprint: "a",
        policy: "never",
        zone: "UTC",
        holds: []
      )
    signoff::Verdict.call(facts, now)
  end

  define_method(:nobody?) do |people, asked = step, **more|
    described_class.new(people, "ticker", authors, now).nobody?(verdict(asked, **more))
  end

  def yes(who)
    said = { step_id: "s", person_id: who, given_by: who, verdict: "yes", fingerprint: "a" }
    AskFirst::Core::Signoff::Answer.new(**said, eligible: true, author: false, order: 2)
  end

  it "is nobody when the last of them has left, lost the ability, or reaches other channels alone" do
    expect(nobody?([person("wren"), person("ines", ended_at: now)])).to be false
    gone = person("ines", ended_at: now)
    expect(nobody?([person("wren", ended_at: now), gone])).to be true
    expect(nobody?([person("wren", abilities: ["see"]), gone])).to be true
    expect(nobody?([person("wren", limited: true, channels: ["guildhall"]), gone])).to be true
    expect(nobody?([person("wren", limited: true, channels: ["ticker"]), gone])).to be false
    expect(nobody?([person("wren", access_until: now), gone])).to be true
    expect(nobody?([person("somebody else"), gone])).to be true
  end

  it "needs as many as there are places, less those that are filled" do
    two = step(quorum: "n", n: 2)
    expect(nobody?([person("wren"), person("ines")], two)).to be false
    expect(nobody?([person("wren")], two)).to be true
    expect(nobody?([person("wren")], two, answers: [yes("ines")])).to be false
    fill = signoff::Ruling.new(kind: "fill", step_id: "s", place_person_id: nil, fingerprint: "a", order: 2)
    expect(nobody?([person("wren")], two, rulings: [fill])).to be false
  end

  it "a named place is that person's own" do
    all = step(quorum: "all")
    expect(nobody?([person("wren"), person("ines")], all)).to be false
    expect(nobody?([person("wren")], all)).to be true
    expect(nobody?([person("wren")], all, answers: [yes("ines")])).to be false
  end

  describe "where four eyes are wanted" do
    let(:authors) { ["wren"] }

    it "an author is none who can answer" do
      expect(nobody?([person("wren")])).to be true
      expect(nobody?([person("wren")], step(four_eyes: false))).to be false
    end
  end

  it "knows when the access of somebody who is asked ends by itself" do
    people = [person("wren", access_until: now + 90), person("ines", access_until: now + 60)]
    people << person("maro", access_until: now + 1)
    able = described_class.new(people, "ticker", [], now)
    expect(able.until(verdict(step))).to eq now + 60
    expect(able.until(verdict(step, answers: [yes("ines")]))).to be_nil
  end
end
