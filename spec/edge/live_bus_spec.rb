# frozen_string_literal: true

# Over a database of its own, as the web processes have it.
RSpec.describe AskFirst::Edge::LiveBus, :database do
  let(:bus) { described_class.connect(world.settings.web_url) }
  let(:ids) { Array.new(2) { AskFirst::Core::Uuid.v7(Time.now) } }

  after { bus.stop }

  it "says where the talk of each client stands, so that a page can begin to hear from there" do
    person = AskFirst::Core::Uuid.v7(Time.now)
    expect(bus.last(ids)).to eq(ids.to_h { |id| [id, 0] })
    2.times { bus.publish(ids.first, { what: "media", ids: [] }, to: [person]) }
    expect(bus.last(ids)).to eq(ids[0] => 2, ids[1] => 0)
    expect(bus.last([])).to eq({})
  end

  it "says nothing where it cannot, and the page is served all the same" do
    away = described_class.connect("postgres://nobody@127.0.0.1:9/none")
    expect(away.last(ids)).to eq({})
  ensure
    away&.stop
  end
end
