# frozen_string_literal: true

RSpec.describe "What networks take" do
  let(:client) { fresh_client }
  let!(:ticker) { connected(client) }
  let!(:vitrine) { connected(client, "vitrine") }

  def found(limits: nil) = AskFirst::App::Channels::Networks.call(scope_of(client, limits: limits))

  it "stands side by side, made from the cards that the channels keep" do
    networks = found[:networks]
    expect(networks.map { |one| one[:network] }).to eq %w[Ticker Vitrine]
    limit = db[:channels].where(id: ticker).get(:card)["text"]["limit"]
    says = found[:about].zip(networks.first[:says]).to_h
    expect(says["Text"].delete(",")).to eq "at most #{limit}"
  end

  it "is of the networks that the reader sees a channel of, and of none that is archived" do
    expect(found(limits: [vitrine])[:networks].map { |one| one[:network] }).to eq ["Vitrine"]
    world.act("Channels::ArchiveChannel", :ines, client, channel_id: vitrine)
    expect(found[:networks].map { |one| one[:network] }).to eq ["Ticker"]
  end
end
