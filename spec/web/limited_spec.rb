# frozen_string_literal: true

# Strangers inside one client: a member whose part is limited to another channel, one who makes only another part, an
# observer of the client's side, and somebody whose membership has ended. Every route comes from the description.
RSpec.describe "Strangers inside a client" do
  let(:own) { world.workspace }
  let(:nowhere) { AskFirst::Core::Uuid.v7(Time.now) }

  # @return [Array(ApiClient, String, String)] signed in; the person's id, the membership's
  def somebody(...)
    login, *ids = world.somebody(...)
    [ApiWorld.client(login), *ids]
  end

  # One of everything, all of it on Vitrine and nothing else.
  let(:ids) do
    post = world.draft(channels: [:vitrine])
    world.ask(post, 0)
    line = world.line(post)
    cleared = world.draft(channels: [:vitrine])
    world.clear(cleared)
    world.release(cleared)
    set =
      world.act(
        "Channels::SaveSet",
        :ines,
        name: "Vitrine alone #{SecureRandom.hex(6)}",
        channel_ids: [world.channel(:vitrine)]
      )
    task =
      world.act(
        "Traffic::AssignTask",
        :ines,
        post_id: post,
        kind: "copy",
        title: "Vitrine words",
        person_id: world.person(:maro),
        due: {
          "wall" => "2026-10-20T12:00",
          "zone" => "Europe/Lisbon"
        }
      )
    hold =
      db[:holds].where(workspace_id: own, channel_id: world.channel(:vitrine), lifted_at: nil).get(:id) ||
        world.act("Signoff::Hold", :ines, reason: "Vitrine waits", channel_id: world.channel(:vitrine))
    world.act(
      "People::Invite",
      :ines,
      addresses: "v#{SecureRandom.hex(3)}@fernhollow.example",
      role_id: db[:roles].where(name: "designer").get(:id)
    )
    idea =
      world.act(
        "Ideas::SaveIdea",
        :ines,
        fields: {
          "title" => "Vitrine window",
          "channel_id" => world.channel(:vitrine)
        }
      )
    partner = world.act("Partners::SavePartner", :ines, fields: { "name" => "Vitrine baker #{SecureRandom.hex(2)}" })
    newest = ->(table, **more) { db[table].where({ workspace_id: own }.merge(more)).reverse(:id).get(:id) }
    {
      "reading" => world.act("Posts::PreviewLink", :ines, address: "http://quillmere.example/#{SecureRandom.hex(2)}"),
      "post" => post,
      "ask" => line[:ask_id],
      "line" => line[:id],
      "media" => world.post_state(post).master["media"].first,
      "channel" => world.channel(:vitrine),
      "set" => set,
      "task" => task,
      "idea" => idea[:id],
      "partner" => partner[:id],
      "showing" => db[:showings].where(post_id: cleared).get(:id),
      "rendition" => db[:revision_adaptations].where(post_id: cleared).get(:rendition_ids).to_a.first,
      "hold" => hold,
      "pass" => pass(world.line(cleared)),
      "connection" => db[:channels].where(id: world.channel(:vitrine)).get(:connection_id),
      "invitation" => newest.call(:invitations),
      "membership" => newest.call(:memberships, person_id: world.person(:ines))
    }
  end

  def pass(line)
    world.act(
      "Signoff::CreatePass",
      AskFirst::App::Member.process(own, "dispatcher"),
      ask_id: line[:ask_id],
      person_id: world.person(:odile)
    )
    db[:guest_passes].where(ask_id: line[:ask_id]).get(:id)
  end

  def make(client, call) = Routes.make(client, call, version: 1)

  # Everything that stands in the client's tables, so that a call that changed something shows.
  def stands
    %i[
      posts
      parts
      tasks
      asks
      ask_lines
      holds
      openings
      releases
      showings
      rulings
      remarks
      brand_files
      adaptations
      channels
      connections
      channel_sets
      channel_set_channels
      memberships
      invitations
      reminders
      media
      ideas
      idea_votes
      partners
    ].to_h do |table|
      [
        table,
        world.owner[table]
          .where(workspace_id: own)
          .order(*world.owner[table].columns.first(2))
          .all
          .map { |row| row.except(:seen_at) }
      ]
    end
  end

  hangs_on_a_post = %w[post ask line media showing rendition hold pass channel set task connection reading idea].freeze

  describe "a member who is limited to another channel" do
    it "gets for everything of Vitrine the very answer for what is not there, and changes nothing, whatever their " \
         "role" do
      ["agency owner", "copywriter"].each do |role|
        client, = somebody(role, limited: :ticker)
        calls =
          Routes
            .of(own, ids)
            .zip(Routes.of(own))
            .select { |call, _| call.template.scan(/\{(\w+)\}/).flatten.intersect?(hangs_on_a_post) }
        expect(calls.size).to be > 40
        before = stands
        calls.each do |there, not_there|
          real = make(client, there)
          invented = make(client, not_there)
          expect([role, there.to_s, real]).to eq [role, there.to_s, invented]
          expect([role, there.to_s, real.first]).to eq([role, there.to_s, 404]).or eq([role, there.to_s, 403]).or eq(
                      [role, there.to_s, 422]
                    )
          if role == "agency owner" && !there.template.end_with?("/copies") &&
               there.template != "/api/w/{workspace}/asks"
            expect([role, there.to_s, real.first]).to eq [role, there.to_s, 404]
          end
          expect(JSON.generate(real)).not_to match(/vitrine/i)
        end
        expect(stands == before).to be true
      end
    end

    it "finds nothing of it in lists, sheets, the record, dispatch and the export" do
      ids
      client, = somebody("agency owner", limited: :ticker)
      # the networks that there are stand on the channels' page
      expect(JSON.generate(client.call(:get, "/api/w/#{own}/channels").last.except("networks"))).not_to match(
        /Vitrine|#{ids["channel"]}/
      )
      lists = [
        "/api/desk",
        "/api/posts",
        "/api/dispatch",
        "/api/w/#{own}/record",
        "/api/w/#{own}/people",
        "/api/w/#{own}/people/#{ids["membership"]}"
      ]
      lists.each do |list|
        expect([list, JSON.generate(client.call(:get, list))]).not_to include a_string_matching(
                  /#{ids["post"]}|Vitrine|#{ids["channel"]}/
                )
      end
      expect(client.call(:get, "/api/w/#{own}/export").first).to eq 403
    end

    it "of a post on both, works on their channel and is refused the whole: name, labels, tasks, the master" do
      post = world.draft
      client, = somebody("account lead", limited: :ticker)
      at = "/api/w/#{own}/posts/#{post}"
      sheet = client.call(:get, at).last
      expect([sheet["adaptations"].size, sheet["can"]["rename"]["ok"], sheet["can"]["open"]["ok"]]).to eq [
           1,
           false,
           true
         ]
      expect([sheet["master"]["parts"]["text"]["off"], sheet["adaptations"][0]["parts"]["text"]["off"]]).to match [
              /limited to other channels/,
              nil
            ]
      expect(client.call(:put, "#{at}/subject", { subject: "Mine" }, { "HTTP_IF_MATCH" => '"1"' })).to match [
              403,
              a_hash_including("code" => "other_channel")
            ]
      expect(client.call(:put, "#{at}/labels", { names: ["x"] }).first).to eq 403
      expect(
        client.call(
          :put,
          "#{at}/parts/text?channel=#{world.channel(:ticker)}",
          { value: "Only here" },
          { "HTTP_IF_MATCH" => '"0"' }
        ).first
      ).to eq 200
      expect(
        client.call(
          :put,
          "#{at}/parts/text?channel=#{world.channel(:vitrine)}",
          { value: "There" },
          { "HTTP_IF_MATCH" => '"0"' }
        ).first
      ).to eq 403
      # a whole post is asked for and released channel by channel: theirs
      world.clear(post)
      expect(client.call(:post, "#{at}/release", {}).first).to eq 204
      expect(world.stages(post)).to eq(ticker: "released", vitrine: "cleared")
      expect(
        client.call(:post, "#{at}/take-back", { adaptation_ids: [world.adaptation(post, :vitrine)] }).first
      ).to eq 409
      expect(client.call(:post, "#{at}/take-back", {}).first).to eq 204
    end

    it "gives and takes nothing that they do not have: no limit lifted, nobody invited beyond it, no order, no " \
         "setting" do
      client, _, membership = somebody("account lead", limited: :ticker)
      _, _, colleague = somebody("designer", limited: :ticker)
      designer = db[:roles].where(name: "designer").get(:id)
      lead = db[:roles].where(name: "account lead").get(:id)
      change = ->(id, role, channels) do
        client.call(
          :put,
          "/api/w/#{own}/people/#{id}",
          { role_id: role, title: "", channel_ids: channels },
          { "HTTP_IF_MATCH" => '"1"' }
        )
      end
      expect(change.call(membership, lead, nil)).to match [403, a_hash_including("code" => "beyond_own")]
      expect(change.call(colleague, designer, nil).first).to eq 403
      expect(change.call(colleague, designer, [world.channel(:vitrine)]).first).to eq 422
      expect(client.call(:post, "/api/w/#{own}/people/#{ids["membership"]}/end", {}).first).to eq 403
      invite = ->(channels) do
        client.call(
          :post,
          "/api/w/#{own}/invitations",
          { addresses: "n#{SecureRandom.hex(3)}@fernhollow.example", role_id: designer, channel_ids: channels }
        ).first
      end
      expect([invite.call(nil), invite.call([world.channel(:ticker)])]).to eq [403, 201]
      expect(
        client.call(:put, "/api/w/#{own}/channels-order", { channel_ids: [world.channel(:ticker)] }).first
      ).to eq 403
      expect(client.call(:get, "/api/w/#{own}/what-goes").first).to eq 403
      expect(client.call(:post, "/api/w/#{own}/holds", { reason: "All of it" }).first).to eq 403
      expect(change.call(colleague, designer, [world.channel(:ticker)]).first).to eq 200
    end

    it "cannot open a hidden post by giving themselves a task on it" do
      client, person = somebody("account lead", limited: :ticker)
      task = {
        kind: "copy",
        title: "Mine",
        person_id: person,
        due: {
          wall: "2026-10-20T12:00",
          zone: "Europe/Lisbon"
        }
      }
      expect(client.call(:post, "/api/w/#{own}/posts/#{ids["post"]}/tasks", task).first).to eq 404
      expect(db[:tasks].where(person_id: person)).to be_empty
    end

    it "hears nothing live of what they do not see, and is told of what they do" do
      hidden = ids["post"]
      _, person = somebody("account lead", limited: :ticker)
      told =
        lambda do |post|
          count = world.environment.bus.told.size
          world.act(
            "Posts::UpdateNote",
            :ines,
            post_id: post,
            note: SecureRandom.hex,
            version: db[:posts].where(id: post).get(:note_version)
          )
          world.environment.bus.told.drop(count).flatten
        end
      expect(told.call(hidden)).not_to include person
      expect(told.call(world.draft(channels: [:ticker], picture: false))).to include person
    end
  end

  it "a member who makes only another part reads the post and writes nothing else of it" do
    client, = somebody("designer")
    post = world.draft
    at = "/api/w/#{own}/posts/#{post}"
    sheet = client.call(:get, at).last
    off = sheet["master"]["parts"].transform_values { |part| part["off"] }
    expect(off.select { |_, why| why.nil? }.keys).to match_array %w[media framing descriptions format]
    expect(off["text"]).to match(/Your role here cannot change copy\. .+ can\./)
    ids
    before = stands.except(:media)
    Routes
      .of(own, ids.merge("post" => post, "line" => nowhere, "task" => nowhere))
      .reject { |call| call.verb == "get" }
      .each do |call|
        if call.template.match?(
             %r{/(?:remarks|note|here|check|move-cost|media|idea-address|ideas|uploads|files|off)|
                /(?:reminders/|mentions|link-readings|follow-master|take-revision-back|connections|copies|withdraw)}x
           ) && !call.template.match?(%r{asks/.*withdraw})
          next
        end

        status, body = make(client, call)
        expect([call.to_s, status]).to eq([call.to_s, 403]).or eq([call.to_s, 404]).or eq([call.to_s, 422]).or eq(
                         [call.to_s, 409]
                       )
        expect(body["code"]).not_to eq "our_mistake"
      end
    expect(stands.except(:media) == before).to be true
  end

  it "an observer of the client's side and somebody whose membership has ended get nothing, and learn nothing" do
    observer, = somebody("client observer", side: "client")
    gone, _, membership = somebody("account lead")
    world.owner[:memberships].where(id: membership).update(
      ended_at: world.environment.now,
      ended_by: world.person(:bram)
    )
    ids
    before = stands
    Routes
      .of(own, ids)
      .zip(Routes.of(own))
      .each do |there, not_there|
        expect([there.to_s, make(gone, there)]).to eq [there.to_s, make(gone, not_there)]
        expect([there.to_s, gone.last_response.status]).to eq [there.to_s, 404]
        real = make(observer, there)
        expect([there.to_s, real]).to eq [there.to_s, make(observer, not_there)]
        next if there.template.match?(%r{/(?:client-plan|given-ideas)\z}) # the pages that are theirs

        expect([there.to_s, real.first]).to eq([there.to_s, 403]).or eq([there.to_s, 404])
      end
    expect(stands == before).to be true
  end
end
