# frozen_string_literal: true

require "open3"
require "tempfile"

# The plan on paper, read back by poppler (pdftotext, pdfinfo, pdfimages), which wrote none of it.
RSpec.describe "The plan as PDF" do
  let(:client) { :quillmere }
  let(:ines) { ApiWorld.client(:ines) }

  def poppler(tool, bytes, *options)
    Tempfile.create(%w[plan .pdf], binmode: true) do |file|
      file.write(bytes)
      file.flush
      out, err, status = Open3.capture3(tool, *options, file.path, *(tool == "pdftotext" ? ["-"] : []))
      raise err unless status.success?
      expect(err).to eq ""
      out
    end
  end

  def paper(path, who: ines)
    who.call(:get, "/api/plan/#{path}&workspace=#{world.workspace(client)}")
    expect(who.last_response.status).to eq 200
    expect(who.last_response.headers["content-type"]).to eq "application/pdf"
    who.last_response.body
  end

  def text(bytes) = poppler("pdftotext", bytes, "-layout")
  def pages(bytes) = poppler("pdfinfo", bytes)[/Pages:\s+(\d+)/, 1].to_i

  def post(subject, wall, **more)
    world
      .draft(wall: wall, text: "#{subject} #{SecureRandom.hex(5)}", client: client, **more)
      .tap { |id| world.act("Posts::Rename", :ines, client, post_id: id, subject: subject, version: 1) }
  end

  it "has the month with its week numbers, days off, times, channels and stages, and its pictures" do
    client_row = db[:workspaces].where(id: world.workspace(client))
    before = client_row.get(:holidays)
    client_row.update(holidays: "pt")
    post("Pão à beira-mar", "2027-10-05T07:30")
    post("Перевоз · 渡船", "2027-10-20T18:00", picture: false)
    bytes = paper("month.pdf?month=2027-10&shows=everything")
    said = text(bytes)
    expect(said).to include("Quillmere Ferries, October 2027", "Pão à beira-mar", "Перевоз", "渡船")
    expect(said).to match(/7:30 · .+ · drafting/)
    expect(said).to include("Dia da República") # 5 October, by the holidays gem
    expect((39..43).map { |number| said.match?(/^\s*#{number}\b/) }).to all be true
    expect(said).to match(/As it stood on 14 October 2026, 10:\d\d, Lisbon\s+1 of #{pages(bytes)}/)
    expect(poppler("pdfimages", bytes, "-list").lines.size).to be > 2
    expect(poppler("pdfinfo", bytes)).to match(/Title:\s+Quillmere Ferries, October 2027[\s\S]+Page size:.+A4/)
  ensure
    client_row.update(holidays: before)
  end

  it "goes on on further pages where a day or a list has more than one holds, and leaves nothing out" do
    names = Array.new(45) { |n| "Crowded #{n}." }
    names.each { |name| post(name, "2027-11-10T12:00", picture: false, channels: [:ticker]) }
    %w[month.pdf?month=2027-11 week.pdf?day=2027-11-10 list.pdf?from=2027-11-01&to=2027-11-30].each do |path|
      bytes = paper(path)
      said = text(bytes)
      expect([path, names.reject { |name| said.include?(name) }]).to eq [path, []]
      expect(pages(bytes)).to be > 1
    end
  end

  it "is as narrow as it was asked for, and shows a member who is limited only theirs" do
    post("Only Vitrine", "2027-12-01T12:00", channels: [:vitrine], picture: false)
    post("Only Ticker", "2027-12-01T13:00", channels: [:ticker], picture: false)
    narrowed = text(paper("list.pdf?from=2027-12-01&to=2027-12-31&channels=#{world.channel(:vitrine)}"))
    expect(narrowed).to include("Only Vitrine")
    expect(narrowed).not_to include("Only Ticker")
    scope = scope_of(client, limits: [world.channel(:vitrine)])
    pictured = post("Ticker’s picture", "2027-12-02T13:00", channels: [:ticker])
    lines = AskFirst::App::Plan::Period.month(world.environment, scope, month: "2027-12")[:lines]
    expect(lines.map { |line| line[:post_id] }).not_to include pictured
  end

  it "has pencil marks only if they are wanted, and an empty period says so" do
    mark = { "day" => "2028-01-05", "channel_id" => world.channel(:ticker), "word" => "Kept word" }
    world.act("Plan::UpdateMarks", :ines, client, put: [mark], erase: [])
    expect(text(paper("month.pdf?month=2028-01"))).not_to include "Kept word"
    expect(text(paper("month.pdf?month=2028-01&marks=yes"))).to include "Kept word"
    expect(text(paper("list.pdf?from=2031-01-01&to=2031-01-31"))).to include "Nothing is planned in these days."
  end

  it "is refused in words where the days are none" do
    ines.call(:get, "/api/plan/month.pdf?month=2027-13")
    expect(ines.last_response.status).to eq 422
  end

  it "the sign-off sheet of a post, a campaign or a period is read as PDF, CSV and JSON by whoever sees it" do
    id = post("Sheet of the pier", "2026-10-15T07:30")
    world.clear(id, client: client)
    campaign = world.act("Campaigns::SaveCampaign", :ines, client, plan: { "name" => "Sheet #{SecureRandom.hex(2)}" })
    ["post=#{id}", "from=2026-10-01&to=2026-10-31", "campaign=#{campaign}"].each do |of|
      %w[pdf csv json].each do |kind|
        ines.call(:get, "/api/w/#{world.workspace(client)}/sign-off.#{kind}?#{of}")
        expect([of, kind, ines.last_response.status]).to eq [of, kind, 200]
      end
    end
    ines.call(:get, "/api/w/#{world.workspace(client)}/sign-off.pdf?post=#{id}")
    expect(text(ines.last_response.body)).to include("Sheet of the pier", "Odile Marchetti", "Wren Adeyo")
  end
end
