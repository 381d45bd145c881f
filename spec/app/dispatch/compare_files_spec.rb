# frozen_string_literal: true

# What a network shows of the files: the very bytes, saved anew, or something else.
RSpec.describe "The files that a network shows" do
  let(:process) { AskFirst::App::Member.process(world.workspace, "dispatcher") }

  def sent(*faults)
    post = world.draft(channels: [:ticker])
    world.clear(post)
    world.release(post)
    faults.each { |kind| world.world.control("ticker/faults", { handle: "quillmere", kind: kind }) }
    world.clock.set(Time.utc(2026, 10, 15, 6, 30, 1))
    AskFirst::App::Dispatch::Advance.call(world.environment, process, showing_id: showing(post)[:id])
    AskFirst::App::Dispatch::Verify.call(world.environment, process, showing_id: showing(post)[:id], look: 4)
    post
  end

  def showing(post) = db[:showings].where(post_id: post).first
  def compare(post) =
    AskFirst::App::Dispatch::CompareFiles.call(world.environment, process, showing_id: showing(post)[:id])
  def waiting(post) =
    db[:que_jobs]
      .where(job_class: "AskFirst::Jobs::CompareFiles")
      .select_map(:args)
      .count { |args| args.to_a.include?(showing(post)[:id]) }

  before do
    world.world.control("ticker/no-faults", {})
    db[:channels].update(card_at: nil)
  end

  it "with the very bytes that were approved are the same, and nothing more is looked at" do
    post = sent
    expect(showing(post)).to include(state: "out", seen: "same", seen_note: "")
    expect(waiting(post)).to eq 0
  end

  it "made smaller and saved anew are said not to be compared yet, then compared: they look the same" do
    post = sent("saves_anew")
    expect(showing(post)).to include(
      seen: "cannot_tell",
      seen_note: /1 of 1 files was saved anew there, and not compared/
    )
    expect(waiting(post)).to eq 1
    compare(post)
    expect(showing(post)).to include(state: "out", seen: "same", seen_note: /saved anew there, and looks the same/)
  end

  it "that the network does not give just now are no trouble: they stay not compared" do
    post = sent("saves_anew")
    gone = AskFirst::Core::Dispatch::Unreachable.new("nobody answers")
    allow_any_instance_of(AskFirst::Edge::Networks::Micropub).to receive(:file).and_raise(gone)
    compare(post)
    expect(showing(post)).to include(state: "out", seen: "cannot_tell")
  end

  it "that cannot be read are trouble" do
    post = sent("saves_anew")
    allow_any_instance_of(AskFirst::Edge::Networks::Micropub).to receive(:file).and_return("\xFF\xD8\xFF cut off")
    compare(post)
    expect(showing(post)).to include(state: "trouble", trouble: "A file there cannot be read.")
  end

  it "of another post are trouble, and told" do
    other = world.act("Media::UploadMedia", :sunniva, io: SpecWorld.picture(7), name: "other.jpg")
    first = world.draft(channels: [:ticker], picture: false)
    world.write(first, "media", [other[:id]], who: :sunniva)
    world.clear(first)
    world.release(first)
    world.clock.set(Time.utc(2026, 10, 15, 6, 30, 1))
    AskFirst::App::Dispatch::Advance.call(world.environment, process, showing_id: showing(first)[:id])
    world.clock.set(SpecWorld::NOON)
    post = sent("other_picture")
    expect(showing(post)[:seen]).to eq "cannot_tell"
    compare(post)
    expect(showing(post)).to include(state: "trouble", trouble: /Another picture is there|another shape/)
    expect(db[:notices].where(post_id: post, kind: "trouble").count).to be >= 1
  end
end
