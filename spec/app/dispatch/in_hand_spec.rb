# frozen_string_literal: true

# What somebody is publishing by hand: nobody can stop their hand but they, so they are told at once, and what was said
# meanwhile is not lost when they give it back.
RSpec.describe "What is being published by hand" do
  let(:channel) do
    said = { name: "Board #{SecureRandom.hex(2)}", initials: "B#{SecureRandom.hex(1)[0]}", limit: 400, pictures: 1 }
    world.act("Channels::AddOffline", :bram, **said)
  end
  let(:showing) { db[:showings].where(post_id: @post).get(:id) }

  def taken_up
    @post = world.act("Posts::CreatePost", :ines, subject: "By hand")
    world.act("Posts::ChooseChannels", :ines, post_id: @post, channel_ids: [channel])
    world.write(@post, "text", "On the board by the pier.")
    world.write(@post, "time", { "wall" => "2026-10-15T07:30", "zone" => "Europe/Lisbon" }, who: :ines)
    world.clear(@post)
    world.release(@post)
    world.clock.set(Time.utc(2026, 10, 15, 6, 30, 1))
    process = AskFirst::App::Member.process(world.workspace, "dispatcher")
    AskFirst::App::Dispatch::Advance.call(world.environment, process, showing_id: showing)
    world.act("Dispatch::TakeUp", :tobiah, showing_id: showing)
    @post
  end

  def told = db[:notices].where(post_id: @post, person_id: world.person(:tobiah)).select_map(:words)
  def page = world.act("Dispatch::ByHandPage", :tobiah, showing_id: showing)

  it "is stopped by a no: whoever has it is told at once, and given back it is not offered again" do
    post = taken_up
    expect(page[:stop]).to be_nil
    world.answer(post, :odile, "no", "Not on that day")
    expect(told).to eq ["Do not publish it, Odile Marchetti wants a change: Not on that day"]
    expect(page[:stop]).to eq "Odile Marchetti wants a change: Not on that day"
    world.act("Dispatch::LetGo", :tobiah, showing_id: showing)
    expect(world.stage(post)).to eq "changes_wanted"
    expect(db[:releases].where(post_id: post, ended_at: nil).count).to eq 0
    expect(refusal { world.act("Dispatch::TakeUp", :tobiah, showing_id: showing) }).to be_a AskFirst::Core::Conflict
  end

  it "so is a hold, until it is lifted" do
    taken_up
    id = world.act("Signoff::Hold", :ines, reason: "Storm")
    expect(told).to eq ["Do not publish it now, Ines Calloway has put it on hold: Storm"]
    expect(page[:stop]).to eq "Ines Calloway has put it on hold: Storm"
    world.act("Signoff::LiftHold", :ines, hold_id: id)
    expect(page[:stop]).to be_nil
  end

  it "a yes still comes too late for it, and a no after it was said to be out, too" do
    post = taken_up
    expect(refusal { world.answer(post, :odile) }.code).to eq "too_late"
    world.act("Dispatch::ConfirmByHand", :tobiah, showing_id: showing, place: "By the pier")
    expect(refusal { world.answer(post, :odile, "no", "Too late") }.code).to eq "too_late"
  end
end
