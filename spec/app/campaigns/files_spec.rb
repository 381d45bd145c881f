# frozen_string_literal: true

RSpec.describe "Files of a campaign" do
  let(:client) { fresh_client }
  let(:campaign) { make }

  def make = world.act("Campaigns::SaveCampaign", :ines, client, plan: { "name" => "Fair #{SecureRandom.hex(3)}" })
  def add(text = "Stand 14", name: "Plan.pdf", who: :ines, to: campaign) =
    world.act("Campaigns::AddFile", who, client, campaign_id: to, io: StringIO.new(text), name: name)
  def fetch(file, who: :ines, of: campaign) =
    world.act("Campaigns::OpenFile", who, client, campaign_id: of, file_id: file)
  def names = world.act("Campaigns::Overview", :ines, client, campaign_id: campaign)[:files].map { |one| one[:name] }

  it "are added, listed, handed out as they were, and taken away" do
    file = add("what the stand looks like")
    expect(names).to eq ["Plan.pdf"]
    expect(File.read(fetch(file)[:path])).to eq "what the stand looks like"
    world.act("Campaigns::RemoveFile", :ines, client, campaign_id: campaign, file_id: file)
    expect(names).to eq []
    expect(refusal { fetch(file) }).to be_a AskFirst::Core::NotFound
  end

  it "are of their campaign alone: no other's, and not on the brand sheet" do
    file = add
    other = make
    expect(refusal { fetch(file, of: other) }).to be_a AskFirst::Core::NotFound
    brand = world.act("Clients::BrandSheet", :ines, client)
    expect(brand[:files]).to eq []
    expect(refusal { world.act("Clients::OpenFile::Brand", :ines, client, file_id: file) }).to be_a(
      AskFirst::Core::NotFound
    )
    expect(refusal { world.act("Clients::RemoveBrandFile", :ines, client, file_id: file) }).to be_a(
      AskFirst::Core::NotFound
    )
  end

  it "are refused empty, too large, and from who may not plan" do
    expect(refusal { add("") }.code).to eq "file_empty"
    designer = world.insider("designer", client: client)
    expect(refusal { add(who: designer) }).to be_a AskFirst::Core::Refused
    expect(refusal { add(to: SecureRandom.uuid) }).to be_a AskFirst::Core::NotFound
  end

  it "go along when the client's data is taken out" do
    add("in the archive", name: "Plan.pdf")
    world.owner[:brand_files].where(campaign_id: campaign).get(:id) => id
    listed = AskFirst::App::Clients::Export.instance_method(:files)
    act = AskFirst::App::Clients::Export.new(world.environment, world.member(:bram, client))
    expect(act.send(:reading) { listed.bind_call(act) }.map(&:first)).to include "campaigns/#{id[-6..]}-Plan.pdf"
  end
end
