# frozen_string_literal: true

RSpec.describe "Channels" do
  condition = AskFirst::Core::Channels::Condition
  now = Time.utc(2026, 10, 14, 9, 20)

  it "PKCE: the challenge of RFC 7636, appendix B" do
    expect(
      AskFirst::Core::Channels::Pkce.challenge("dBjftJeZ4CVP-mB92K27uhbUJU1p1r_wW1gFWFOEjXk")
    ).to eq "E9Melhoa2OwvFrEMTJguCHaoeK1t8URWbuGJSstw-cM"
    expect { AskFirst::Core::Channels::Pkce.challenge("short") }.to raise_error(AskFirst::Core::Invalid)
  end

  {
    "a token that renews itself, for ever" => [{ expires_at: now + 60, consent_until: nil, renews: true }, {}, "fine"],
    "a token that does not renew itself and ends in an hour" => [
      { expires_at: now + 3_600, consent_until: nil, renews: false },
      {},
      "soon"
    ],
    "a consent that ends in six days" => [
      { expires_at: nil, consent_until: now + (6 * 86_400), renews: true },
      {},
      "soon"
    ],
    "a consent that ends in eight days" => [
      { expires_at: nil, consent_until: now + (8 * 86_400), renews: true },
      {},
      "fine"
    ],
    "a consent that has ended" => [{ expires_at: nil, consent_until: now - 1, renews: true }, {}, "lapsed"],
    "the consent of somebody who has left" => [
      { expires_at: nil, consent_until: nil, renews: true },
      { consent_here: false, consent_name: "Kit" },
      "soon"
    ]
  }.each do |what, (connection, more, level)|
    it "#{what}: #{level}" do
      said = condition.of({ state: "connected" }, connection, now, **more)
      expect([said.level, said.loud?]).to eq [level, level != "fine"]
      expect(said.sentence).not_to be_empty
    end
  end

  it "planned and offline channels are said quietly, a lapsed one loudly" do
    expect(%w[planned offline lapsed].map { |state| condition.of({ state: state }, nil, now).loud? }).to eq [
         false,
         false,
         true
       ]
  end

  it "an offline channel has limits of its own" do
    card =
      AskFirst::Core::Channels::OfflineCard.build(
        name: "Leaflet",
        initials: "Lf",
        limit: 900,
        pictures: 1,
        picture_needed: true
      )
    expect([card["text"]["limit"], card["media"]["needed"], card["media"]["most"]]).to eq [900, true, 1]
    { name: "", initials: "LONG", limit: 0, pictures: 21 }.each do |field, value|
      good = { name: "Leaflet", initials: "Lf", limit: 900, pictures: 1, picture_needed: false }
      expect { AskFirst::Core::Channels::OfflineCard.build(**good, field => value) }.to raise_error(
        AskFirst::Core::Invalid
      ) { |error| expect(error.field).to eq field.to_s }
    end
  end
end
