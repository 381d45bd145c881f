# frozen_string_literal: true

RSpec.describe "Moving in the plan" do
  def time(wall, zone = "Europe/Lisbon") = wall && { "wall" => "#{wall}:00", "zone" => zone }
  def ids(*networks) = networks.map { |one| world.channel(one) }

  def move(post, from, to, on: %i[ticker vitrine], who: :ines)
    world.act("Plan::Move", who, post_id: post, channel_ids: ids(*on), from: time(from), time: time(to))
  end

  def cost(post, to, on: %i[ticker vitrine], who: :ines)
    world.act("Plan::MoveCost", who, post_id: post, channel_ids: ids(*on), time: time(to))
  end

  def times(post)
    scope = world.member(:ines).scope(world.environment.db)
    standing = scope.transaction { AskFirst::Store::Posts::PostState.load(scope, [post], world.environment.now) }
    standing.fetch(post).adaptations.to_h { |one| [one.channel[:name], one.time&.wall&.strftime("%m-%dT%H:%M")] }
  end

  let(:post) do
    text = "The late boat #{SecureRandom.hex(8)} waits at the #{SecureRandom.hex(8)} pier"
    world.draft(text: text).tap { |id| world.write(id, "time", time("2026-10-20T12:00"), who: :ines) }
  end

  it "moves what follows the master with the master, and what has a time of its own by itself" do
    move(post, "2026-10-20T12:00", "2026-10-22T12:00")
    expect(times(post)).to eq("Ticker" => "10-22T12:00", "Vitrine" => "10-22T12:00")
    world.write(post, "time", time("2026-10-23T18:00"), who: :ines, on: :vitrine)
    move(post, "2026-10-23T18:00", "2026-10-24T18:00", on: %i[vitrine])
    expect(times(post)).to eq("Ticker" => "10-22T12:00", "Vitrine" => "10-24T18:00")
    move(post, "2026-10-22T12:00", "2026-10-21T12:00", on: %i[ticker])
    expect(times(post)).to eq("Ticker" => "10-21T12:00", "Vitrine" => "10-24T18:00")
  end

  it "gives a post its first time out of the tray, and takes it away again as undo" do
    bare = world.act("Posts::CreatePost", :ines, subject: "Bare")
    move(bare, nil, "2026-10-20T10:00", on: [])
    expect(db[:posts].where(id: bare).get(:at)).to eq Time.utc(2026, 10, 20, 9)
    move(bare, "2026-10-20T10:00", nil, on: [])
    expect(db[:posts].where(id: bare).get(:at)).to be_nil
  end

  it "out of the tray takes every channel along, those too that had no time of their own" do
    bare = world.draft(picture: false, wall: nil, text: "Nothing planned #{SecureRandom.hex(8)} at the quay")
    world.write(bare, "time", time("2027-01-20T10:00"), who: :ines, on: :vitrine)
    world.act("Plan::Move", :ines, post_id: bare, channel_ids: ids(:vitrine), from: time("2027-01-20T10:00"), time: nil)
    expect(cost(bare, "2027-01-21T10:00", on: [])[:warnings].map { |one| one[:channel] }).to include(
      "Ticker",
      "Vitrine"
    )
    move(bare, nil, "2027-01-21T10:00", on: [])
    expect(times(bare)).to eq("Ticker" => "01-21T10:00", "Vitrine" => "01-21T10:00")
    expect(refusal { move(post, "2026-10-21T12:00", "2026-10-22T12:00", on: []) }.code).to eq "moved_meanwhile"
  end

  it "by two at once: the second is told, twice by one is done once" do
    move(post, "2026-10-20T12:00", "2026-10-21T12:00")
    expect { move(post, "2026-10-20T12:00", "2026-10-21T12:00") }.not_to(change { db[:record].count })
    expect(refusal { move(post, "2026-10-20T12:00", "2026-10-22T12:00", who: :tobiah) }).to have_attributes(
      code: "moved_meanwhile",
      field: "from"
    )
    expect(times(post).values.uniq).to eq ["10-21T12:00"]
  end

  it "at the same moment from two pages ends at one of the two, and one is told" do
    post # made before
    outcomes =
      %w[2026-10-21T12:00 2026-10-22T12:00]
        .map { |to| Thread.new { refusal { move(post, "2026-10-20T12:00", to) }&.code } }
        .map(&:value)
    expect(outcomes).to contain_exactly(nil, "moved_meanwhile")
  end

  it "does not take along followers that the mover did not see" do
    world.write(post, "time", time("2026-10-23T18:00"), who: :ines, on: :vitrine)
    world.act(
      "Posts::FollowMaster",
      :ines,
      post_id: post,
      channel_id: world.channel(:vitrine),
      part: "time",
      version: 1
    )
    expect(refusal { move(post, "2026-10-20T12:00", "2026-10-22T12:00", on: %i[ticker]) }.code).to eq "moved_meanwhile"
  end

  describe "says before it is dropped" do
    it "that a yes stays within the day, and ends on another (policy local_date)" do
      db[:workspaces].where(id: world.workspace).update(time_policy: "local_date")
      world.clear(post)
      within = cost(post, "2026-10-20T17:00")
      expect(within[:costs].flat_map { |one| one[:costs] }).to all(end_with("still count."))
      other = cost(post, "2026-10-21T17:00")
      expect(other[:costs].flat_map { |one| one[:costs] }).to all(include("must be asked again"))
      expect(other[:refused]).to be_nil
    end

    it "which day off it would fall on, and that it is past" do
      db[:workspaces].where(id: world.workspace).update(holidays: "pt")
      expect(cost(post, "2026-12-25T12:00")[:off]).to eq "Natal"
      expect(cost(post, "2026-10-25T12:00")[:off]).to eq "a day on which nobody works"
      expect(cost(post, "2026-10-13T12:00")).to include(past: true, off: nil)
    end

    it "what it would clash with there" do
      other = world.draft(picture: false, text: "Quite another thing about the quay and its lamps")
      world.write(other, "time", time("2027-01-12T12:05"), who: :ines)
      sentences = cost(post, "2027-01-12T12:00")[:warnings].map { |one| one[:sentence] }
      expect(sentences).to include(a_string_including("goes out here 5 minutes after"))
      expect(cost(post, "2027-01-13T12:00")[:warnings].map { |one| one[:sentence] }).not_to include(
        a_string_including("goes out here")
      )
    end

    it "that this person may not, by the same words as the act" do
      said = cost(post, "2026-10-22T12:00", who: :sunniva)[:refused]
      told = refusal { move(post, "2026-10-20T12:00", "2026-10-22T12:00", who: :sunniva) }
      expect(said).to eq [told.message, told.way_on].compact.join(" ")
      expect(times(post).values.uniq).to eq ["10-20T12:00"]
    end
  end

  it "moves a release along where its yeses allow it, on record" do
    world.clear(post)
    world.release(post)
    db[:workspaces].where(id: world.workspace).update(time_policy: "local_date")
    move(post, "2026-10-20T12:00", "2026-10-20T15:00")
    live = db[:releases].where(post_id: post, ended_at: nil).select_map(:at)
    expect(live).to eq [Time.utc(2026, 10, 20, 14)] * 2
    expect(db[:record].where(post_id: post, act: "release_moved").count).to eq 2
  end

  it "leaves where it is what is being sent or is out, and says so before" do
    world.clear(post)
    world.release(post)
    world.sending(post, network: :ticker)
    told = refusal { move(post, "2026-10-20T12:00", "2026-10-22T12:00") }
    expect(told).to have_attributes(code: "sent", message: "It is being sent or is out on Ticker.")
    expect(cost(post, "2026-10-22T12:00")[:refused]).to eq(
      "It is being sent or is out on Ticker. It stays where it is. Move the other channels in the post."
    )
  end

  it "says which releases it ended; back at their time these can go out again, as undo has it" do
    world.clear(post)
    world.release(post)
    released = db[:adaptations].where(post_id: post).select_map(:id)
    expect(move(post, "2026-10-20T12:00", "2026-10-22T12:00")).to match_array released
    expect(move(post, "2026-10-22T12:00", "2026-10-20T12:00")).to eq []
    expect(world.stages(post).values.uniq).to eq ["cleared"]
    world.act("Dispatch::Release", :ines, post_id: post, adaptation_ids: released)
    expect(world.stages(post).values.uniq).to eq ["released"]
  end

  it "refuses what is no time, and a channel that the post is not on" do
    expect(refusal { move(post, "2026-10-20T12:00", "2026-02-30T12:00") }.code).to eq "bad_time"
    expect(
      refusal do
        world.act(
          "Plan::Move",
          :ines,
          post_id: post,
          channel_ids: [SecureRandom.uuid],
          from: time("2026-10-20T12:00"),
          time: time("2026-10-21T12:00")
        )
      end
    ).to be_a AskFirst::Core::NotFound
  end
end
