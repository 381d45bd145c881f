# frozen_string_literal: true

RSpec.describe "The plan in other calendars" do
  let(:client) { fresh_client }
  let!(:ticker) { connected(client) }
  let!(:vitrine) { connected(client, "vitrine") }

  def make(who = :ines, narrowing: {}, workspace_id: world.workspace(client))
    AskFirst::App::Plan::CreateCalendar.call(
      world.environment,
      agency_person(who),
      name: "Plan",
      narrowing: narrowing,
      workspace_id: workspace_id
    )
  end

  def read(feed) = AskFirst::App::Plan::CalendarByAddress.call(world.environment, feed[:secret])
  def ids(feed) = read(feed)[:events].map { |event| event[:id] }

  it "shows what its maker sees, in order, with pencil marks" do
    late = plain_post(client, ticker, wall: "2026-10-21T09:00")
    early = plain_post(client, ticker, wall: "2026-10-20T09:00")
    world.act(
      "Plan::UpdateMarks",
      :ines,
      client,
      put: [{ "day" => "2026-10-22", "channel_id" => vitrine, "word" => "tip" }]
    )
    found = read(make)
    expect(found[:events].map { |event| event[:id] }).to eq ["#{early}-#{ticker}", "#{late}-#{ticker}"]
    expect(found[:events].first).to include(at: Time.utc(2026, 10, 20, 8), stage: "drafting", client: /Client/)
    expect(found[:marks]).to match [hash_including(day: "2026-10-22", word: "tip")]
  end

  it "is narrowed as a view is, and over all clients has those of its maker" do
    post = plain_post(client, ticker)
    expect(ids(make(narrowing: { "stages" => "cleared" }))).to eq []
    expect(ids(make(workspace_id: nil))).to include "#{post}-#{ticker}"
    expect(ids(make(:bram, workspace_id: nil))).to include "#{post}-#{ticker}"
    expect(refusal { make(:sunniva) }).to be_a(AskFirst::Core::NotFound)
  end

  it "shows no more than the membership does now, and nothing once it has ended" do
    plain_post(client, ticker)
    feed = make(:bram)
    membership = db[:memberships].where(workspace_id: world.workspace(client), person_id: world.person(:bram))
    membership.update(limited: true)
    db[:membership_channels].insert(
      workspace_id: world.workspace(client),
      membership_id: membership.get(:id),
      channel_id: vitrine
    )
    expect(ids(feed)).to eq []
    membership.update(ended_at: world.environment.now, ended_by: world.person(:ines))
    expect(refusal { read(feed) }).to be_a(AskFirst::Core::NotFound)
  end

  it "is gone once revoked, twice does no harm; a guess, a revoked one and no one's are one answer" do
    feed = make
    revoke = -> do
      AskFirst::App::Plan::RevokeCalendar.call(world.environment, agency_person(:ines), calendar_id: feed[:id])
    end
    2.times { revoke.call }
    answers = [feed[:secret], "guessed", "", nil].map { |secret| refusal { read({ secret: secret }) }.message }
    expect(answers.uniq.size).to eq 1
    expect(db[:agency_record].where(act: "feed_revoked").count).to eq 1
  end

  it "keeps a digest of the secret alone, and when it was read last" do
    feed = make
    row = -> { db[:private_calendars].where(id: feed[:id]).first }
    expect(row.call.to_s).not_to include feed[:secret]
    read(feed)
    expect(row.call[:read_at]).to eq world.environment.now
    most = AskFirst::App::Plan::CreateCalendar::MOST
    (most - db[:private_calendars].where(person_id: world.person(:ines), revoked_at: nil).count).times { make }
    expect(refusal { make }.code).to eq "too_many_calendars"
    db[:private_calendars].where(revoked_at: nil).update(revoked_at: world.environment.now)
  end
end
