# frozen_string_literal: true

RSpec.describe "The plan as rows" do
  let(:client) { fresh_client("Lantern House") }
  let!(:ticker) { connected(client) }

  def rows(from = "2026-10-01", to = "2026-10-31", **more)
    scope =
      AskFirst::Store::Scope.new(
        world.environment.db,
        workspace_ids: [world.workspace(client)],
        person_id: world.person(:ines),
        side: "agency"
      )
    AskFirst::App::Plan::Sheet.call(world.environment, scope, from: from, to: to, **more)
  end

  it "has one for each time of a post, in order, with what stands beside it" do
    late = plain_post(client, ticker, wall: "2026-10-21T09:00")
    plain_post(client, ticker, wall: "2026-10-20T18:30")
    world.act("Posts::SetLabels", :ines, client, post_id: late, names: %w[Town Places])
    world.act("Posts::SetCampaign", :ines, client, post_id: late, name: "Winter")
    found = rows
    expect(found.map { |row| row.first(2) }).to eq [%w[2026-10-20 18:30], %w[2026-10-21 09:00]]
    named = AskFirst::App::Plan::Sheet::COLUMNS.zip(found.last).to_h
    expect(named).to include(
      "zone" => "Europe/Lisbon",
      "client" => "Lantern House",
      "channels" => "Account",
      "stage" => "drafting",
      "labels" => "Places, Town",
      "campaign" => "Winter",
      "owner" => "Ines Calloway",
      "boost" => "",
      "address" => a_string_ending_with(late)
    )
  end

  it "keeps to its days and to what is narrowed to" do
    plain_post(client, ticker, wall: "2026-10-31T23:59")
    plain_post(client, ticker, wall: "2026-11-01T00:00")
    expect(rows.map(&:first)).to eq ["2026-10-31"]
    expect(rows(filter: AskFirst::Core::Plan::Filter.read("stages" => "out"))).to eq []
  end

  it "has days that a sheet can hold" do
    expect(refusal { rows("2026-10-02", "2026-10-01") }.code).to eq "too_many_days"
    expect(refusal { rows("2026-01-01", "2028-01-01") }).to have_attributes(code: "too_many_days", field: "to")
    expect(refusal { rows("soon") }).to have_attributes(code: "bad_date", field: "from")
  end
end
