# frozen_string_literal: true

# What cannot be written any more may stand in an older database. It opens all the same, and can be mended.
RSpec.describe "A planned time of a year out of reach" do
  %w[0000-01-01T00:00 0001-06-15T12:00 9999-12-31T23:59].each do |wall|
    describe "of #{wall[0, 4]}" do
      let(:post) do
        world.draft.tap do |id|
          world.owner[:parts].where(post_id: id, part: "time").update(
            value: Sequel.cast(JSON.generate({ wall: wall, zone: "Europe/Lisbon" }), :jsonb)
          )
        end
      end

      it "opens: the sheet, the checks, the list, the desk, what goes and the record" do
        world.act("Posts::UpdateNote", :ines, post_id: post, note: "Look at its year", version: 1)
        client = ApiWorld.client("ines")
        at = "/api/w/#{world.workspace}/posts/#{post}"
        [
          at,
          "#{at}/record",
          "/api/posts",
          "/api/desk",
          "/api/dispatch",
          "/api/w/#{world.workspace}/what-goes"
        ].each { |address| expect([address, client.call(:get, address).first]).to eq [address, 200] }
        status, =
          client.call(
            :post,
            "#{at}/move-cost",
            { channels: nil, time: { wall: "2026-11-02T09:00", zone: "Europe/Lisbon" } }
          )
        expect(status).to eq 200
      end

      it "can be changed to one within reach, and to no other that is not" do
        version = db[:parts].where(post_id: post, part: "time").get(:version)
        save = ->(to) do
          ApiWorld.client("ines").call(
            :put,
            "/api/w/#{world.workspace}/posts/#{post}/parts/time",
            { value: { wall: to, zone: "Europe/Lisbon" } },
            { "HTTP_IF_MATCH" => "\"#{version}\"" }
          )
        end
        expect(save.call("9998-01-01T00:00")).to match [
                422,
                a_hash_including("code" => "time_out_of_reach", "field" => "time")
              ]
        expect(save.call("2026-11-02T09:00").first).to eq 200
      end

      it "can be asked about and is refused where it shall go out" do
        client = ApiWorld.client("ines")
        expect(
          client.call(:post, "/api/w/#{world.workspace}/asks", { step_id: world.step(0), post_ids: [post] }).first
        ).to be_between(200, 422)
        expect(client.call(:post, "/api/w/#{world.workspace}/posts/#{post}/release", {}).first).to be_between(409, 422)
      end
    end
  end
end
