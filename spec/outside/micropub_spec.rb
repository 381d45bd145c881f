# frozen_string_literal: true

# Source: Micropub, W3C Recommendation, 23 May 2017: the examples of sections 3.3 (create), 3.6 (media endpoint) and 3.7
# (querying), as remembered and checked in shape. The client and the stand-ins meet only over HTTP.
RSpec.describe "Micropub" do
  describe "what our client sends" do
    def entry(media: [], pictures: [])
      AskFirst::Edge::Networks::Micropub.entry({ "text" => "Hello World", "media" => media }, pictures, "af-1")
    end

    it "is an h-entry whose properties are lists (3.3.2, JSON syntax)" do
      expect(entry).to eq(
        "type" => ["h-entry"],
        "properties" => {
          "content" => ["Hello World"],
          "mp-send-id" => ["af-1"]
        }
      )
    end

    it "gives a picture as its address, and with alternative text as value and alt (3.3.2)" do
      sent =
        entry(
          media: [{ "description" => "" }, { "description" => "Photo of a sunset" }],
          pictures: %w[https://m.example/1.jpg https://m.example/2.jpg]
        )
      expect(sent["properties"]["photo"]).to eq [
           "https://m.example/1.jpg",
           { "value" => "https://m.example/2.jpg", "alt" => "Photo of a sunset" }
         ]
    end

    it "keeps to itself what the site must not show: our own commands begin with mp- (3.3)" do
      expect(entry["properties"].keys.grep(/send/)).to all(start_with("mp-"))
    end
  end

  describe "what a site answers", :database do
    let(:account) { world.world.control("ticker/accounts", { handle: "spec", name: "Spec" }) }
    let(:client) { AskFirst::Edge::Networks::Micropub.new(account["micropub"], account["token"]) }
    let(:http) do
      Faraday.new(headers: { "Authorization" => "Bearer #{account["token"]}" }) do |faraday|
        faraday.request :url_encoded
      end
    end

    it "201 with the address in Location for a create; the same back from q=source (3.3, 3.7.2)" do
      made = client.create({ "text" => "Hello World", "media" => [] }, pictures: [], send_id: "af-x", now: Time.now)
      expect(made.kind).to eq :out
      expect(client.source(made.address)).to eq("text" => "Hello World", "media" => [])
      expect(client.find("af-x")).to eq made.address
      expect(client.find("af-unknown")).to be_nil
    end

    it "takes the form-encoded create of section 3.3.1 as well" do
      reply = http.post(account["micropub"], { "h" => "entry", "content" => "Hello World" })
      expect([reply.status, client.source(reply.headers["Location"])["text"]]).to eq [201, "Hello World"]
    end

    it "updates and deletes by url (3.4, 3.5)" do
      made = client.create({ "text" => "First", "media" => [] }, pictures: [], send_id: "af-y", now: Time.now)
      json = { "Content-Type" => "application/json" }
      expect(
        http.post(
          account["micropub"],
          JSON.generate(action: "update", url: made.address, replace: { content: ["Second"] }),
          json
        ).status
      ).to eq 204
      expect(client.source(made.address)["text"]).to eq "Second"
      expect(http.post(account["micropub"], JSON.generate(action: "delete", url: made.address), json).status).to eq 204
      expect(client.source(made.address)).to be_nil
    end

    it "names its media endpoint in q=config, takes a file there and answers 201 with Location (3.6, 3.7.1)" do
      config = JSON.parse(http.get(account["micropub"], { q: "config" }).body)
      expect(config["media-endpoint"]).to end_with "/media"
      address = client.upload(SpecWorld.picture, "image/jpeg", "boat.jpg")
      expect(Faraday.get(address).body.bytesize).to eq SpecWorld.picture.size
    end

    it "uses the Recommendation's error words (3.8)" do
      reply = http.get(account["micropub"], { q: "nonsense" })
      expect([reply.status, JSON.parse(reply.body)["error"]]).to eq [400, "invalid_request"]
      expect { AskFirst::Edge::Networks::Micropub.new(account["micropub"], "wrong").card }.to raise_error(
        AskFirst::Core::Dispatch::Lapsed
      )
    end
  end
end
