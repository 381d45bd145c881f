# frozen_string_literal: true

# Ideas: what is kept of them, what the house thinks of them, and whether they are in time.
RSpec.describe "Ideas" do
  ideas = AskFirst::Core::Ideas

  def code
    yield
    nil
  rescue AskFirst::Core::Invalid => e
    [e.code, e.field]
  end

  describe "An idea as a person gives it" do
    it "has a title on one line, a note, and what else is said of it" do
      said = { "title" => " Fog \n lamp ", "note" => "Ask Lise.\r\n", "due_on" => "2026-11-02", "category" => "Boats " }
      expect(ideas::Idea.clean(said)).to eq(
        title: "Fog lamp",
        note: "Ask Lise.",
        due_on: Date.new(2026, 11, 2),
        category: "Boats"
      )
    end

    it "is named by the first words of its note where no title was typed" do
      expect(ideas::Idea.title_of("\n\nWho lights the lamp?\nAsk Lise")).to eq "Who lights the lamp?"
      long = "The harbour master lights the lamp every evening, and nobody has ever asked him how he does that"
      expect(ideas::Idea.title_of(long).length).to be <= 80
      expect(ideas::Idea.title_of(long)).to end_with "…"
      expect(ideas::Idea.title_of("")).to eq ""
    end

    it "says at its field what cannot be kept" do
      {
        { "title" => " " } => %w[title_missing title],
        { "title" => "x" * 301 } => %w[too_long title],
        { "link" => "harbour" } => %w[bad_link link],
        { "status" => "done" } => %w[bad_status status],
        { "due_on" => "2026-02-30" } => %w[bad_day due_on],
        { "media_ids" => ["x"] } => %w[too_many_media media_ids],
        { "keywords" => [{ "words" => "" }] } => %w[bad_keywords keywords],
        { "keywords" => [{ "words" => "fog", "volume" => 1.5 }] } => %w[bad_keywords keywords],
        { "keywords" => [{ "words" => "fog", "competition" => "fierce" }] } => %w[bad_keywords keywords]
      }.each { |said, error| expect(code { ideas::Idea.clean(said) }).to eq(error), said.to_s }
    end
  end

  describe "Keywords" do
    it "stand each once, the later of two counting, and are told in words" do
      given = [{ "words" => "Fog ferries" }, { "words" => "fog ferries", "volume" => 900, "competition" => "low" }]
      kept = ideas::Keywords.clean(given)
      expect(kept).to eq [{ "words" => "fog ferries", "volume" => 900, "competition" => "low" }]
      expect(ideas::Keywords.in_words(kept.first)).to eq "fog ferries (900 a month, low)"
      expect(ideas::Keywords.in_words({ "words" => "pier", "volume" => nil, "competition" => nil })).to eq "pier"
    end
  end

  # Worked by hand: (sum + 3 x 2) / (votes + 2).
  describe "What the house thinks" do
    it "draws the mean of few votes to the middle: one 5 is worth four 4s, and five are more" do
      expect(ideas::Worth.score([5])).to eq 367
      expect(ideas::Worth.score([4, 4, 4, 4])).to eq 367
      expect(ideas::Worth.score([4, 4, 4, 4, 4])).to eq 371
      expect(ideas::Worth.score([])).to eq 0
    end

    it "takes a vote of 1 to 5, or none" do
      expect([1, 5, nil].map { |vote| ideas::Worth.clean(vote) }).to eq [1, 5, nil]
      expect([0, 6, 2.5, "3"].map { |vote| code { ideas::Worth.clean(vote) } }.uniq).to eq [%w[bad_vote worth]]
    end
  end

  describe "What has become of it" do
    today = Date.new(2026, 10, 14)
    facts = ->(**more) { ideas::IdeaState::Facts.new(status: "thought", **more) }

    it "is what was made of it, and what somebody said of it only where nothing was" do
      {
        { status: "aside", post: { stage: "out", day: today } } => "out",
        { post: { stage: "drafting", day: nil }, pencilled: today } => "post",
        { status: "aside", pencilled: today } => "pencilled",
        { status: "aside" } => "aside",
        { status: "ready" } => "ready",
        {} => "thought"
      }.each { |more, state| expect(ideas::IdeaState.state(facts.call(**more))).to eq(state), more.to_s }
    end

    it "is late the day after its day, soon three days before, and in time where it is planned by then" do
      {
        {} => "none",
        { due_on: today } => "soon",
        { due_on: today - 1 } => "late",
        { due_on: today + 3 } => "soon",
        { due_on: today + 4 } => "ahead",
        { due_on: today - 1, status: "aside" } => "none",
        { due_on: today + 4, pencilled: today + 4 } => "in_time",
        { due_on: today + 4, post: { stage: "drafting", day: today + 5 } } => "after",
        { due_on: today - 1, post: { stage: "drafting", day: nil } } => "late"
      }.each { |more, timing| expect(ideas::IdeaState.timing(facts.call(**more), today)).to eq(timing), more.to_s }
    end

    it "is told to whoever of the client gave it, for every state" do
      expect(ideas::IdeaState::FOR_CLIENT.keys).to match_array ideas::IdeaState::STATES.map(&:first)
    end
  end

  describe "Their order" do
    it "moves one before another, or to the end" do
      expect(ideas::Order.move(%w[a b c], "c", "a")).to eq %w[c a b]
      expect(ideas::Order.move(%w[a b c], "a", nil)).to eq %w[b c a]
      expect(ideas::Order.move(%w[a b], "x", "b")).to eq %w[a x b]
      expect(ideas::Order.move(%w[a b], "a", "gone")).to eq %w[b a]
    end
  end

  describe "A mail of ideas" do
    mail = AskFirst::Core::Talk::Reply::Mail
    place = AskFirst::Core::Talk::Reply::Place.new(email: "ines@fernhollow.example", over: false, recent: 0)

    it "has its subject for a title, without what programs put before it" do
      expect(ideas::ByMail.title("Fwd: RE: Fog lamp\n")).to eq "Fog lamp"
      expect(ideas::ByMail.title(nil)).to eq ""
    end

    it "is kept when it comes from its owner and says anything at all" do
      from = { sender: "ines@fernhollow.example", automatic: false, failed: false, cut: false, files: 0 }
      outcome = ->(title, **more) { ideas::ByMail.outcome(mail.new(words: "", **from, **more), place, title) }
      expect(outcome.call("Fog lamp")).to eq "kept"
      expect(outcome.call("")).to eq "empty"
      expect(outcome.call("", words: "Ask Lise")).to eq "kept"
      expect(outcome.call("Fog", sender: "somebody@elsewhere.example")).to eq "elsewhere"
      expect(outcome.call("Fog", failed: true)).to eq "forged"
      expect(outcome.call("Fog", automatic: true)).to eq "automatic"
    end

    it "names in the note what could not be kept of it" do
      expect(ideas::ByMail.note("Ask Lise", %w[a.zip b.exe])).to eq "Ask Lise\n\nNot kept of the mail: a.zip, b.exe"
    end
  end
end
