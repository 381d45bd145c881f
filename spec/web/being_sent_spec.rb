# frozen_string_literal: true

# While a post is being sent nothing of it changes: the page and the server say the same, and the way on that they
# name works.
RSpec.describe "A post that is being sent" do
  let(:ines) { ApiWorld.client(:ines) }
  let(:post) do
    world
      .draft(channels: [:ticker])
      .tap do |id|
        world.clear(id)
        world.release(id)
        world.sending(id)
      end
  end
  let(:at) { "/api/w/#{world.workspace}/posts/#{post}" }
  let(:sheet) { ines.call(:get, at).last }
  let(:adaptation) { world.adaptation(post, :ticker) }
  let(:version) do
    { "HTTP_IF_MATCH" => "\"#{db[:parts].where(post_id: post, part: "text", channel_id: nil).get(:version)}\"" }
  end

  it "shows every part off, with the sentence that a save is answered with" do
    off = sheet["adaptations"][0]["parts"].transform_values { |part| part["off"] }
    expect(off.values.uniq).to match [/Ticker is being sent/]
    status, body = ines.call(:put, "#{at}/parts/text", { value: "Too late" }, version)
    expect([status, body["code"]]).to eq [410, "too_late"]
    expect(off["text"]).to eq [body["detail"], body["way_on"]].join(" ")
    expect(sheet["master"]["parts"]["text"]["off"]).to eq off["text"]
  end

  # act on the page => what the page sends for it
  {
    "open" => ->(spec) { [:post, "#{spec.at}/open", { adaptation_ids: [spec.adaptation] }] },
    "take_back" => ->(spec) { [:post, "#{spec.at}/take-back", {}] },
    "choose_channels" => ->(spec) do
      [:put, "#{spec.at}/channels", { channel_ids: [spec.world.channel(:ticker), spec.world.channel(:vitrine)] }]
    end,
    "release" => ->(spec) { [:post, "#{spec.at}/release", {}] },
    "mark_ready" => ->(spec) { [:post, "#{spec.at}/ready", {}] },
    "rename" => ->(spec) { [:put, "#{spec.at}/subject", { subject: "Renamed" }] }
  }.each do |act, call|
    it "#{act}: the page offers it exactly when the server does it" do
      sheet
      status, body = ines.call(*call.call(self), { "HTTP_IF_MATCH" => '"1"' })
      expect([act, sheet["can"][act]["ok"], body]).to eq [act, status < 400, body]
    end
  end

  it "its channel stays, with the sentence that taking it off is answered with" do
    stays = sheet["adaptations"][0]["stays"]
    status, body = ines.call(:put, "#{at}/channels", { channel_ids: [world.channel(:vitrine)] })
    expect([status, body["code"], stays]).to eq [410, "too_late", [body["detail"], body["way_on"]].join(" ")]
  end

  it "a sealed channel stays too, until it is opened" do
    sealed = world.draft(channels: [:ticker])
    world.clear(sealed)
    here = "/api/w/#{world.workspace}/posts/#{sealed}"
    stays = -> { ines.call(:get, here).last["adaptations"][0]["stays"] }
    expect(stays.call).to match(/Ticker is locked/)
    ines.call(:post, "#{here}/open", { adaptation_ids: [world.adaptation(sealed, :ticker)] })
    expect(stays.call).to be_nil
  end

  it "says why a post cannot be released, and takes it when nothing stands against it" do
    draft = world.draft(channels: [:ticker])
    here = "/api/w/#{world.workspace}/posts/#{draft}"
    said = -> { ines.call(:get, here).last["can"]["release"] }
    tried = -> do
      ines
        .call(:post, "#{here}/release", {})
        .then do |status, body|
          status < 400 ? { "ok" => true } : { "ok" => false, "why" => [body["detail"], body["way_on"]].join(" ") }
        end
    end
    expect(said.call).to match("ok" => false, "why" => /not cleared/).and eq(tried.call)
    world.clear(draft)
    expect(said.call).to eq("ok" => true).and eq(tried.call)
  end

  it "beside a channel that is not, only the other can be opened, and the column says why" do
    other = world.draft
    world.clear(other)
    world.release(other)
    world.sending(other, network: :ticker)
    here = "/api/w/#{world.workspace}/posts/#{other}"
    seen = ines.call(:get, here).last
    expect(seen["can"]["open"]["ok"]).to be true
    expect(seen["adaptations"].to_h { |one| [one["channel"]["network"], one["off"]] }).to match(
      "Ticker" => /Ticker is being sent/,
      "Vitrine" => nil
    )
    opened =
      %i[ticker vitrine].map do |network|
        ines.call(:post, "#{here}/open", { adaptation_ids: [world.adaptation(other, network)] }).first
      end
    expect(opened).to eq [410, 204]
  end

  it "the way on works: a copy is a new draft with the same words" do
    status, made = ines.call(:post, "#{at}/copies", { walls: ["2026-10-22T07:30"] })
    expect(status).to eq 201
    copy = ines.call(:get, "/api/w/#{world.workspace}/posts/#{made["ids"].first}").last
    expect([copy["stage"], copy["master"]["parts"]["text"]["value"], copy["master"]["parts"]["text"]["off"]]).to eq [
         "drafting",
         sheet["master"]["parts"]["text"]["value"],
         nil
       ]
  end
end
