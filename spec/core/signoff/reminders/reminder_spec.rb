# frozen_string_literal: true

# Common practice, no source: nobody of a client gets two mails about the same evening.
RSpec.describe AskFirst::Core::Signoff::Reminder do
  it "goes to those who were not reminded yet, and by hand to all who are waited for" do
    expect(described_class.people(%w[odile per], %w[per], again: false)).to eq ["odile"]
    expect(described_class.people(%w[odile per], %w[per], again: true)).to eq %w[odile per]
  end

  it "covers everything for somebody of the client, and one ask for a colleague" do
    expect(described_class.covers_all?("client")).to be true
    expect(described_class.covers_all?("internal")).to be false
  end

  it "is sent once for all asks of somebody of the client, and for each of a colleague's" do
    client = [{ id: 1, room: "client" }, { id: 2, room: "client" }]
    house = [{ id: 3, room: "internal" }, { id: 4, room: "internal" }]
    expect(described_class.enough(client)).to eq client.first(1)
    expect(described_class.enough(house)).to eq house
    expect(described_class.enough(client + house).map { |ask| ask[:id] }).to eq [1, 3, 4]
    expect(described_class.enough([])).to eq []
  end
end
