# frozen_string_literal: true

# What somebody with `skip_steps` decides beside the answers: struck, filled and dropped, and a yes in another's name.
RSpec.describe "Deciding beside the answers" do
  let(:post) { world.draft }

  def step(position) = world.step(position)
  def rule(name, who: :bram, **more) =
    world.act("Signoff::#{name}", who, post_id: post, reason: "By phone, 10:40", **more)
  def sheet(who = :ines) = world.act("Posts::PostSheet", who, post_id: post, blocks: ["signoff"])

  def ask_both
    world.ask(post, 0)
    world.answer(post, :wren)
    world.owner[:route_steps].where(id: step(1)).update(quorum: "all")
    %i[odile per].each do |who|
      row = { workspace_id: world.workspace, step_id: step(1), person_id: world.person(who) }
      world.owner[:route_step_people].insert_conflict.insert(row)
    end
    world.ask(post, 1)
  end

  after { world.owner[:route_steps].where(id: step(1)).update(quorum: "any") }

  it "a struck place is waited for no more, and the last one cannot be struck" do
    ask_both
    rule("RulePlace", step_id: step(1), kind: "strike", person_id: world.person(:per))
    expect(world.stage(post)).to eq "client_approval"
    error = refusal { rule("RulePlace", step_id: step(1), kind: "strike", person_id: world.person(:odile)) }
    expect(error.code).to eq "last_place"
    world.answer(post, :odile)
    expect(world.stage(post)).to eq "cleared"
    expect(world.acts(post)).to include "place_struck"
  end

  it "a filled place counts, is marked as filled, and ends what was asked there" do
    ask_both
    world.answer(post, :odile)
    rule("RulePlace", step_id: step(1), kind: "fill", person_id: world.person(:per))
    expect(world.stage(post)).to eq "cleared"
    expect(world.line(post)[:ended_as]).to eq "answered"
    stamp = world.act("Posts::PostSheet", :ines, post_id: post)[:strip].find { |one| one["side"] == "client" }
    expect(stamp["by_hand"]).to eq ["filled by Bram Teodoro"]
  end

  it "an open place is filled and struck without a name" do
    world.ask(post, 0)
    expect(refusal { rule("RulePlace", step_id: step(0), kind: "strike", person_id: nil) }.code).to eq "last_place"
    rule("RulePlace", step_id: step(0), kind: "fill", person_id: nil)
    expect(world.post_state(post).adaptations.map { |one| one.verdict.waits_at.id }.uniq).to eq [step(1)]
  end

  it "what is decided holds for exactly what stands: other words need their own yes" do
    world.ask(post, 0)
    rule("RulePlace", step_id: step(0), kind: "fill", person_id: nil)
    world.act("Posts::OpenPost", :ines, post_id: post, adaptation_ids: world.post_state(post).adaptations.map(&:id))
    world.write(post, "text", "Other words about the fog.")
    world.act("Posts::ClosePost", :ines, post_id: post, adaptation_ids: world.post_state(post).adaptations.map(&:id))
    expect(world.post_state(post).adaptations.map { |one| one.verdict.waits_at.id }.uniq).to eq [step(0)]
  end

  it "a yes in another's name says whose hand it was, for ever, and counts as theirs" do
    world.ask(post, 0)
    world.answer(post, :wren)
    world.ask(post, 1)
    file = StringIO.new("They said yes by phone.")
    evidence = world.act("Talk::AddFile", :bram, post_id: post, room: "house", io: file, name: "call.txt")
    rule("ClearFor", step_id: step(1), person_id: world.person(:odile), file_id: evidence)
    expect(world.stage(post)).to eq "cleared"
    kept = db[:answers].where(post_id: post, person_id: world.person(:odile)).first
    expect(kept).to include(given_by: world.person(:bram), words: "By phone, 10:40", file_id: evidence)
    answer = sheet[:answers].first
    expect(answer).to include(person: "Odile Marchetti", for_them: "Bram Teodoro", file_id: evidence)
    stamp = world.post_state(post).then { |one| AskFirst::App::Signoff::Strip.of_post(one, one.names).last }
    expect(stamp["by_hand"]).to eq ["Bram Teodoro for Odile Marchetti"]
    expect(world.act("Talk::OpenFile", :ines, post_id: post, file_id: evidence)[:name]).to eq "call.txt"
  end

  it "whoever was cleared for is told so when they answer, and their own no still blocks" do
    world.ask(post, 0)
    world.answer(post, :wren)
    world.ask(post, 1)
    line = world.line(post)[:id]
    shown = world.shown(post)
    rule("ClearFor", step_id: step(1), person_id: world.person(:odile))
    late = { line_id: line, shown: shown, seen: 0 }
    error = refusal { world.act("Signoff::AnswerAsk", :odile, verdict: "yes", **late) }
    expect([error.code, error.message]).to match ["answered_since", /Bram Teodoro has cleared this in your name since/]
    world.act("Signoff::AnswerAsk", :odile, verdict: "no", words: "I never said that.", **late)
    expect(world.stage(post)).to eq "changes_wanted"
  end

  it "nobody clears what they or the named person wrote, nor for somebody who is not asked about what stands" do
    world.ask(post, 0)
    expect(refusal { rule("ClearFor", step_id: step(0), person_id: world.person(:maro)) }.code).to eq "nothing_to_rule"
    world.owner[:parts].where(post_id: post, part: "text").update(
      authors: Sequel.pg_array([world.person(:bram)], :uuid)
    )
    expect(refusal { rule("ClearFor", step_id: step(0), person_id: world.person(:wren)) }.code).to eq "four_eyes"
  end

  it "a dropped step is passed no more, whatever is written; while a change is wanted there, it is not dropped" do
    world.ask(post, 0)
    world.answer(post, :wren, "change", "Shorter")
    expect(refusal { rule("DropStep", step_id: step(0)) }.code).to eq "block_stands"
    expect(refusal { rule("SkipStep", step_id: step(0)) }.code).to eq "block_stands"
    expect(world.stage(post)).to eq "changes_wanted"
    world.answer(post, :wren)
    rule("DropStep", step_id: step(0))
    expect(world.post_state(post).steps.map(&:id)).to eq [step(1)]
  end

  it "whoever wrote part of it neither fills a place nor skips the step: the refusal names who can" do
    world.ask(post, 0)
    world.owner[:parts].where(post_id: post, part: "text").update(
      authors: Sequel.pg_array([world.person(:bram)], :uuid)
    )
    [["RulePlace", { kind: "fill", person_id: nil }], ["SkipStep", {}]].each do |name, more|
      error = refusal { rule(name, step_id: step(0), **more) }
      expect(error.code).to eq "four_eyes"
      expect(error.facts["who_can"]).not_to include "Bram Teodoro"
    end
    # the page offers none of it, and says who can
    barred = sheet(:bram)[:own_words]
    expect(barred.map { |one| one[:step_id] }).to eq [step(0), step(1)]
    expect(barred.first[:way_on]).to match(/can\.|owner/)
    expect(sheet(:ines)[:own_words]).to eq []
    expect(world.stage(post)).to eq "internal_review"
  end

  it "a clearing in another's name lifts no word of theirs, and is for somebody who could say it now" do
    world.ask(post, 0)
    world.answer(post, :wren)
    world.ask(post, 1)
    world.answer(post, :odile, "no", "Not at all")
    world.ask(post, 1) # the same once more lifts nothing
    expect(refusal { rule("ClearFor", step_id: step(1), person_id: world.person(:odile)) }.code).to eq "block_stands"
    expect(world.stage(post)).to eq "changes_wanted"
    role = db[:memberships].where(workspace_id: world.workspace, person_id: world.person(:per))
    before = role.get(:role_id)
    role.update(role_id: db[:roles].where(name: "client observer").get(:id))
    expect(refusal { rule("ClearFor", step_id: step(1), person_id: world.person(:per)) }.code).to eq "cannot_answer"
  ensure
    role&.update(role_id: before)
  end

  it "each takes the ability and a reason, and leaves a record that names both" do
    world.ask(post, 0)
    {
      "RulePlace" => {
        kind: "fill",
        person_id: nil
      },
      "DropStep" => {
      },
      "ClearFor" => {
        person_id: world.person(:wren)
      }
    }.each do |name, more|
      expect(refusal { rule(name, who: :ines, step_id: step(0), **more) }).to be_a AskFirst::Core::Refused
      blank = { post_id: post, step_id: step(0), reason: " ", **more }
      expect(refusal { world.act("Signoff::#{name}", :bram, **blank) }.code).to eq "words_needed"
    end
    expect(world.acts(post)).not_to include("place_filled", "step_dropped", "cleared_for")
    rule("ClearFor", step_id: step(0), person_id: world.person(:wren))
    kept = db[:record].where(post_id: post, act: "cleared_for").first
    expect(kept[:facts]).to include("person" => "Wren Adeyo", "reason" => "By phone, 10:40")
  end

  it "two at once: the second finds nothing to decide" do
    world.ask(post, 0)
    outcomes =
      Array
        .new(2) { Thread.new { refusal { rule("RulePlace", step_id: step(0), kind: "fill", person_id: nil) }&.code } }
        .map(&:value)
    expect(outcomes).to match_array [nil, "nothing_to_rule"]
    expect(db[:rulings].where(post_id: post).select_group(:adaptation_id).count).to eq 2
    expect(db[:rulings].where(post_id: post).count).to eq 2
  end
end
