# frozen_string_literal: true

# How sign-off went, by hand on a few lines. Week: Monday to Friday, nine to six, in Lisbon.
RSpec.describe AskFirst::Core::Figures::SignOff do
  week = (1..5).to_h { |day| [day.to_s, [%w[09:00 18:00]]] }

  def at(text) = AskFirst::Core::Plan::WallTime.parse(text, "Europe/Lisbon").at

  def line(post, asked, done, step: "Client", side: "client", people: %w[odile per], due: "2026-10-16T18:00")
    described_class::Line.new(
      post_id: post,
      step: step,
      side: side,
      hours: 24.0,
      people: people,
      asked_at: at(asked),
      due_at: at(due),
      done_at: done && at(done)
    )
  end

  def answer(line, who, given, back: false)
    about = line.to_h.slice(:post_id, :step, :side, :asked_at, :due_at)
    described_class::Answer.new(**about, person_id: who, given_at: at(given), back: back)
  end

  def figures(lines, answers: [], cleared: [], now: "2026-10-30T12:00")
    hours = AskFirst::Core::Plan::WorkingTime.new(zone: "Europe/Lisbon", week: week_of_work)
    described_class.new(
      lines: lines,
      answers: answers,
      cleared: cleared,
      hours: hours,
      zone: "Europe/Lisbon",
      now: at(now)
    )
  end
  define_method(:week_of_work) { week }

  let(:lines) do
    [
      line("p1", "2026-10-14T17:00", "2026-10-15T10:00"), # 2 working hours over night
      line("p2", "2026-10-16T16:00", "2026-10-19T11:00"), # 4 over the weekend, late
      line("p3", "2026-10-14T09:00", nil), # late and open
      line("p4", "2026-10-29T09:00", nil, due: "2026-11-02T09:00"), # open, can be in time
      line("p1", "2026-10-13T09:00", "2026-10-13T15:00", step: "Read", side: "internal", people: ["wren"])
    ]
  end

  it "a step takes working hours; a line that can still be in time is neither in time nor late" do
    client = figures(lines).steps.find { |step| step[:name] == "Client" }
    expect(client).to include(asked: 4, open: 2, hours: 24, time: { n: 2, median: 3.0, p90: 3.8 })
    expect(client[:in_time]).to eq(of: 3, n: 1)
    expect(figures(lines).sides[:internal]).to include(asked: 1, open: 0, time: { n: 1, median: 6.0, p90: 6.0 })
  end

  it "posts: rework is back of asked, right the first time is of those that are cleared" do
    answers = [answer(lines[0], "odile", "2026-10-15T10:00", back: true), answer(lines[1], "per", "2026-10-19T11:00")]
    expect(figures(lines, answers: answers, cleared: %w[p1 p2 p9]).posts).to eq(
      asked: 4,
      back: 1,
      cleared: 2,
      first_time: 1
    )
  end

  it "people: how often they are asked and answer, how fast, and when, by the client's clock" do
    answers = [answer(lines[0], "odile", "2026-10-15T10:00"), answer(lines[1], "odile", "2026-10-19T11:00", back: true)]
    found = figures(lines, answers: answers)
    odile, per, wren = found.people
    expect(odile).to include(id: "odile", asked: 4, answered: 2, back: 1, in_time: { of: 2, n: 1 })
    expect(odile[:time]).to eq(n: 2, median: 3.0, p90: 3.8)
    expect(per).to include(id: "per", asked: 4, answered: 0, time: { n: 0, median: nil, p90: nil })
    expect(wren).to include(id: "wren", side: "internal", asked: 1)
    expect(found.clock[3][10]).to eq 1 # Thursday, ten
    expect(found.clock[0][11]).to eq 1 # Monday, eleven
    expect(found.clock.flatten.sum).to eq 2
  end

  it "weeks: of what was asked in each, from Monday on" do
    expect(figures(lines).weeks).to eq(
      [
        { week: "2026-10-12", side: "client", time: { n: 2, median: 3.0, p90: 3.8 } },
        { week: "2026-10-12", side: "internal", time: { n: 1, median: 6.0, p90: 6.0 } }
      ]
    )
  end

  describe "what follows" do
    names = { "odile" => "Odile Marchetti", "per" => "Per Haugland" }

    def many(count, done: "2026-10-15T10:00", **more)
      Array.new(count) { |number| line("p#{number}", "2026-10-14T09:00", done, **more) }
    end
    define_method(:follows) do |*given, **more|
      AskFirst::Core::Figures::Follows.new(figures(*given, **more), names).call
    end

    it "is said of ten and more, not of fewer" do
      expect(follows(many(9)).first).to eq(
        "Too little was asked in this time to say what follows: 9 at the step with the most, 10 are needed."
      )
      expect(follows(many(10))).to eq ["Nothing stands out in this time."]
    end

    it "says a step that is late, and the time that would do" do
      late = many(6, done: "2026-10-20T18:00") + many(4)
      expect(follows(late)).to include(
        "“Client” is answered in time four of ten times. It gives 24 working hours; nine of ten are answered within " \
          "45 working hours. Ask earlier, or give it more."
      )
    end

    it "says what comes back, and from where" do
      lines = many(10)
      answers = lines.first(3).map { |one| answer(one, "odile", "2026-10-15T10:00", back: true) }
      expect(
        follows(lines, answers: answers).join
      ).to include "Three of ten posts come back, most from “Client” (3 of 10)."
    end

    it "says where one of several answers alone, and when answers come" do
      lines = many(20)
      answers = lines.map.with_index { |one, n| answer(one, n < 18 ? "odile" : "per", "2026-10-15T#{10 + (n % 3)}:00") }
      said = follows(lines, answers: answers)
      expect(said).to include(
        "Odile Marchetti gives nine of ten answers at “Client”, where others could too. When Odile is away, it waits.",
        "Nearly all answers come between 10:00 and 13:00. What is asked before that is answered the same day.",
        "Nearly all answers come on Thursdays."
      )
    end
  end
end
