# frozen_string_literal: true

# The pace that is wanted of a client's channels, and what is proposed where it is not kept.
RSpec.describe "The pace of a client" do
  let(:client) { fresh_client }
  let!(:ticker) { connected(client) }

  def balance(from: "2026-10-12", to: "2026-11-08", who: :ines)
    world.act("Campaigns::Balance", who, client, from: from, to: to)
  end

  def want(who: :ines, **pace) = world.act("Campaigns::WantPace", who, client, pace: pace.transform_keys(&:to_s))
  def proposed(...) = balance(...)[:proposals]

  it "is the usual one until somebody says another, and is kept" do
    expect(balance[:limits]).to eq(week_min: nil, day_max: nil, apart: 120, gap: 7)
    want(week_min: 2, day_max: 3)
    expect(balance[:limits]).to eq(week_min: 2, day_max: 3, apart: nil, gap: nil)
    want(gap: 5)
    expect(balance[:limits]).to eq(week_min: nil, day_max: nil, apart: nil, gap: 5)
    expect(refusal { want(gap: 61) }.code).to eq "bad_pace"
    designer = world.insider("designer", client: client)
    expect(refusal { want(who: designer, gap: 5) }).to be_a AskFirst::Core::Refused
  end

  it "proposes another time for what stands too close, which can be taken as it is" do
    plain_post(client, ticker, wall: "2026-10-20T09:00")
    post = plain_post(client, ticker, wall: "2026-10-20T09:45", text: "Another one")
    want(apart: 120)
    one = proposed.find { |found| found[:post_id] == post }
    expect(one).to include(kind: "close", channels: [ticker], day: nil)
    expect([one[:from]["wall"], one[:to]["wall"]]).to eq %w[2026-10-20T09:45:00 2026-10-20T11:15:00]
    world.act("Plan::Move", :ines, client, post_id: post, channel_ids: one[:channels], from: one[:from], time: one[:to])
    expect(proposed.map { |found| found[:kind] }).not_to include "close"
  end

  it "moves nothing that has a yes, is asked for or is past" do
    past = plain_post(client, ticker, wall: "2026-10-13T09:00")
    other = plain_post(client, ticker, wall: "2026-10-13T09:30", text: "Another one")
    want(apart: 120)
    expect(proposed.map { |found| found[:post_id] }).not_to include(past, other)
  end

  it "proposes places to be kept in long stretches, as pencil marks that fill them" do
    plain_post(client, ticker, wall: "2026-10-15T09:00")
    want(gap: 7)
    days = proposed.map { |found| found.values_at(:kind, :day) }
    expect(days.map(&:first).uniq).to eq ["gap"]
    put = days.map { |_, day| { "day" => day, "channel_id" => ticker, "word" => "" } }
    world.act("Plan::UpdateMarks", :ines, client, put: put, erase: [])
    expect(proposed).to eq []
  end

  it "proposes to spread out the channels of a post that would say the same at once" do
    vitrine = connected(client, "vitrine")
    post = plain_post(client, [ticker, vitrine], wall: "2026-10-20T09:00")
    want(apart: nil)
    one = proposed.find { |found| found[:kind] == "flood" }
    expect(one).to include(post_id: post, to: nil)
    times = one[:times].to_h { |time| time.values_at(:channel_id, :wall) }
    world.act("Posts::SpreadOut", :ines, client, post_id: post, times: times)
    expect(proposed.map { |found| found[:kind] }).not_to include "flood"
  end

  it "proposes another day for what was said on its channel a short time ago" do
    plain_post(client, ticker, wall: "2026-09-30T09:00", text: "The lamp on the far pier is lit from dusk.")
    post = plain_post(client, ticker, wall: "2026-10-29T10:00", text: "The lamp on the far pier is lit from dusk.")
    want(apart: nil)
    one = proposed.find { |found| found[:kind] == "repeat" }
    expect(one).to include(post_id: post, channels: [ticker], from: hash_including("wall" => "2026-10-29T10:00:00"))
    expect(one[:to]).to include("wall" => "2026-10-30T10:00:00")
    move = { post_id: post, channel_ids: one[:channels], from: one[:from], time: one[:to] }
    world.act("Plan::Move", :ines, client, **move)
    expect(proposed.map { |found| found[:kind] }).not_to include "repeat"
  end

  it "shows a member who is limited to channels these alone, and asks no more for more posts" do
    vitrine = connected(client, "vitrine")
    member = limited_to(vitrine, client: client)
    want(gap: 7)
    expect(balance(who: member)[:proposals].map { |found| found[:channel][:id] }.uniq).to eq [vitrine]
    3.times { |n| plain_post(client, ticker, wall: "2026-10-2#{n}T09:00", text: "First #{n}") }
    few = settled_statements { balance }
    6.times { |n| plain_post(client, ticker, wall: "2026-10-2#{n}T12:00", text: "More #{n}") }
    expect(settled_statements { balance }).to eq few
  end

  it "spreads out, for a member who is limited to channels, only these" do
    vitrine = connected(client, "vitrine")
    commons = connected(client, "commons")
    plain_post(client, [ticker, vitrine, commons], wall: "2026-10-20T09:00")
    want(apart: nil)
    seen = ->(who) do
      found = balance(who: who)[:proposals].select { |one| one[:kind] == "flood" }
      found.flat_map { |one| one[:times].map { |time| time[:channel_id] } }
    end
    expect(seen.call(:ines).size).to eq 2
    expect(seen.call(limited_to(ticker, vitrine, client: client)) - [ticker, vitrine]).to eq []
    expect(seen.call(limited_to(ticker, vitrine, client: client)).size).to eq 1
  end

  it "says how often something went out last month, and what of it can be used again" do
    posts =
      ["A lamp is trimmed every evening.", "Sale until 12 October."].map do |text|
        plain_post(client, ticker, text: text, wall: "2026-10-20T09:00").tap do |post|
          world.act("Posts::MarkReady", :ines, client, post_id: post)
          world.act("Dispatch::Release", :ines, client, post_id: post)
          went = { state: "out", due_at: nil, sent_at: Time.utc(2026, 9, 10), address: "https://t.example/#{post}" }
          world.owner[:showings].where(post_id: post).update(went)
        end
      end
    found = balance[:last]
    expect(found[:month]).to eq "2026-09"
    expect(found[:channels].map { |one| one.values_at(:posts, :again) }).to eq [[2, 1]]
    expect(found[:again].map { |one| one[:post_id] }).to eq [posts.first]
  end
end
