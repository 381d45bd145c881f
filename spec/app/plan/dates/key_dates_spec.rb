# frozen_string_literal: true

RSpec.describe "Key dates and notes of a plan" do
  let(:client) { fresh_client }

  def keep(who: :ines, **given)
    world.act("Plan::SaveKeyDate", who, client, kind: "date", name: "Founding day", first: "2026-11-11", **given)
  end

  def note(text, version: 0, who: :ines)
    world.act("Plan::NoteMonth", who, client, month: "2026-11", note: text, version: version)
  end

  def month(name = "2026-11")
    AskFirst::App::Plan::Period.month(world.environment, scope_of(client), month: name)
  end

  def shown(name = "2026-11") = month(name)[:dates].map { |date| date.values_at(:name, :first, :last) }

  it "stand in the month, changed and taken out again" do
    id = keep
    expect(shown).to eq [["Founding day", "2026-11-11", "2026-11-11"]]
    keep(date_id: id, version: 1, name: "Founding days", last: "2026-11-12")
    expect(shown).to eq [["Founding days", "2026-11-11", "2026-11-12"]]
    world.act("Plan::RemoveKeyDate", :ines, client, date_id: id)
    expect(shown).to eq []
    acts = db[:record].where(workspace_id: world.workspace(client)).order(:order_no).select_map(:act)
    expect(acts.last(3)).to eq %w[key_date_kept key_date_kept key_date_dropped]
  end

  it "changed by two who saw the same, the second is told, and writes over it once it has seen the first" do
    id = keep
    keep(date_id: id, version: 1, name: "Founding week", last: "2026-11-17")
    late = refusal { keep(date_id: id, version: 1, who: :bram, name: "The founders") }
    expect([late.code, late.field, late.facts["version"]]).to eq ["part_changed", "name", 2]
    expect(shown.map(&:first)).to eq ["Founding week"]
    keep(date_id: id, version: 2, who: :bram, name: "The founders")
    expect(shown.map(&:first)).to eq ["The founders"]
    expect(month[:dates].first[:version]).to eq 3
  end

  it "that come back every year stand in the months of later years" do
    keep(yearly: true)
    expect(shown("2029-11")).to eq [["Founding day", "2029-11-11", "2029-11-11"]]
  end

  it "of one name stand once on a day, also when two put them at once" do
    done = 4.times.map { Thread.new { refusal { keep } } }.map(&:value)
    expect([done.count(&:nil?), done.compact.map(&:code).uniq]).to eq [1, ["date_there"]]
    expect(shown.size).to eq 1
  end

  it "are for who plans the whole client; what is another client's is not there" do
    id = keep
    expect(
      refusal { world.act("Plan::SaveKeyDate", :sunniva, :quillmere, kind: "date", name: "Fair", first: "2026-11-11") }
    ).to be_a(AskFirst::Core::Refused)
    other = fresh_client
    expect(refusal { world.act("Plan::RemoveKeyDate", :ines, other, date_id: id) }).to be_a(AskFirst::Core::NotFound)
  end

  it "have a note for each month; of two who write at once the second sees what the first wrote" do
    expect(note("Quiet month: one post a day.")).to eq 1
    expect(note("Quiet month, but the fair.", version: 1)).to eq 2
    late = refusal { note("Mine.", version: 1) }
    expect([late.code, late.facts["theirs"], late.facts["version"]]).to eq [
         "part_changed",
         "Quiet month, but the fair.",
         2
       ]
    expect(month[:notes].map { |one| one.slice(:month, :note, :version) }).to eq [
         { month: "2026-11", note: "Quiet month, but the fair.", version: 2 }
       ]
  end

  it "written for the first time by two at once, one is told of the other" do
    done = 3.times.map { |n| Thread.new { refusal { note("From #{n}") } } }.map(&:value)
    expect([done.count(&:nil?), done.compact.map(&:code).uniq]).to eq [1, ["part_changed"]]
  end
end
