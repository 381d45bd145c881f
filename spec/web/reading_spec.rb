# frozen_string_literal: true

# Every route that reads, called by a lead with ids that are there: each answers 200 as the API description says.
RSpec.describe "Reading over the API" do
  let(:client) { :quillmere }
  let(:w) { world.workspace(client) }
  let(:ines) { ApiWorld.client(:ines) }
  let(:bram) { ApiWorld.client(:bram) }

  def back_from_network
    world.world.visitor.add_person("commons", "reader", { readerpage: "Reader's page" })
    way =
      world.act(
        "Channels::BeginConnect",
        :ines,
        client,
        network_address: "#{Infrastructure.stand_ins[:url]}/networks/commons"
      )
    AskFirst::App::Channels::FinishConnect.call(
      world.environment,
      world.person(:ines),
      **world.world.visitor.allow(way, "reader", ["readerpage"])
    )[
      :try_id
    ]
  end

  let(:ids) do
    post = world.draft
    world.clear(post)
    world.release(post)
    leaflet =
      world.act(
        "Channels::AddOffline",
        :ines,
        client,
        name: "Leaflet #{SecureRandom.hex(2)}",
        initials: "L",
        limit: 900,
        pictures: 1
      )
    by_hand = world.act("Posts::CreatePost", :ines, client, subject: "By hand")
    world.act("Posts::ChooseChannels", :ines, client, post_id: by_hand, channel_ids: [leaflet])
    world.write(by_hand, "text", "Leaflet")
    world.write(by_hand, "time", { "wall" => "2026-10-15T07:30", "zone" => "Europe/Lisbon" }, who: :ines)
    world.clear(by_hand)
    world.release(by_hand)
    world.act("Clients::UpdateLogo", :ines, client, io: SpecWorld.picture)
    campaign = world.act("Campaigns::SaveCampaign", :ines, client, plan: { "name" => "Read #{SecureRandom.hex(2)}" })
    brief = { campaign_id: campaign, io: StringIO.new("stand 14"), name: "Brief.txt" }
    file = world.act("Clients::AddBrandFile", :ines, client, io: StringIO.new("rules"), name: "Regeln ß.txt")
    partner = world.act("Partners::SavePartner", :ines, client, fields: { "name" => "Read" })[:id]
    {
      "remark" => said_by_mail,
      "reading" => world.act("Posts::PreviewLink", :ines, client, address: "http://quillmere.example/"),
      "post" => post,
      "channel" => world.channel(:vitrine),
      "media" => world.post_state(post).master["media"].first,
      "showing" => db[:showings].where(post_id: by_hand).get(:id),
      "file" => file,
      "try" => back_from_network,
      "batch" => world.act("Plan::BeginBatch", :ines, client, kind: "move", post_ids: [post], value: 1),
      "campaign" => campaign,
      "partner" => partner,
      "partner_file" =>
        world.act("Partners::AddFile", :ines, client, partner_id: partner, io: StringIO.new("agreed"), name: "a.txt"),
      "idea" => world.act("Ideas::SaveIdea", :ines, client, fields: { "title" => "Read" })[:id],
      "post_file" =>
        world.act(
          "Talk::AddFile",
          :ines,
          client,
          post_id: post,
          room: "house",
          io: StringIO.new("said"),
          name: "a.txt"
        ),
      "campaign_file" => world.act("Campaigns::AddFile", :ines, client, **brief),
      "rendition" => db[:renditions].where(workspace_id: w).get(:id),
      "membership" => db[:memberships].where(workspace_id: w, person_id: world.person(:maro)).get(:id)
    }
  end

  # @return [String] a remark that somebody of the client said in answer to a mail
  def said_by_mail
    post = world.draft
    world.ask(post, 0)
    world.answer(post, :wren)
    mail = nil
    environment =
      world.jobs.dup.tap { |same| same.mailer = Class.new { define_method(:deliver) { |**one| mail = one } }.new }
    process = AskFirst::App::Member.process(w, "dispatcher")
    AskFirst::App::Signoff::MailAsk.call(
      environment,
      process,
      ask_id: world.ask(post, 1),
      person_id: world.person(:odile)
    )
    raw = "From: #{mail[:to]}\r\nTo: #{mail[:reply_to]}\r\n\r\nWhich pier?"
    AskFirst::App::Talk::TakeReply.call(environment, environment.messages.of(raw))
    db[:remarks].where(post_id: post).get(:id)
  end

  after { world.act("Clients::UpdateLogo", :ines, client, io: nil) }

  it "of what was discarded, in the list and at its address" do
    post = world.draft
    world.act("Posts::DiscardPost", :ines, client, post_id: post)
    listed = ines.call(:get, "/api/discarded-posts?workspace=#{w}").last["posts"]
    status, found = ines.call(:get, "/api/w/#{w}/discarded-posts/#{post}")
    expect([status, found]).to eq [200, listed.find { |one| one["id"] == post }]
  end

  it "of a workspace" do
    calls =
      Routes
        .of(w, ids.merge("new" => AskFirst::Core::Uuid.v7(world.environment.now)))
        .select { |call| call.verb == "get" }
    expect(calls.size).to be >= 16
    calls.each do |call|
      next if call.template.end_with?("/given-ideas") # of the client's side
      next if call.template.include?("/discarded-posts/") # see below

      who = call.template.end_with?("/export") ? bram : ines
      who.call(:get, call.path)
      expect([call.to_s, who.last_response.status]).to eq [call.to_s, 200]
    end
  end

  it "of the agency, and one's own" do
    calls =
      Routes.described["paths"].select do |template, item|
        item.key?("get") && !template.match?(%r{/api/(?:w|review|look-as|connect|people|calendar|shared-plan)})
      end
    calls.each do |template, item|
      call = Routes.call("get", template, item, item["get"], {})
      bram.call(:get, call.path)
      expect([call.to_s, bram.last_response.status]).to eq [call.to_s, 200]
    end
  end

  it "a file of the brand sheet goes out as a download that no page of ours runs" do
    ines.get("/api/w/#{w}/brand-files/#{ids["file"]}")
    headers = ines.last_response.headers
    expect(headers).to include("content-type" => "application/octet-stream", "x-content-type-options" => "nosniff")
    expect(headers["content-disposition"]).to start_with "attachment"
    expect(headers["content-security-policy"]).to include "sandbox"
  end

  it "the export is a ZIP that is streamed and removed" do
    before = Dir[File.join(Dir.tmpdir, "export*")]
    bram.get("/api/w/#{w}/export")
    expect(bram.last_response.headers).to include(
      "content-type" => "application/zip",
      "content-disposition" => 'attachment; filename="quillmere-ferries.zip"'
    )
    expect(bram.last_response.body.byteslice(0, 2)).to eq "PK"
    expect(Dir[File.join(Dir.tmpdir, "export*")]).to eq before
  end
end

RSpec.describe "Setting up over the API" do
  let(:ines) { ApiWorld.client(:ines) }

  it "goes from a name to a channel, with each step's version and each error at its field" do
    status, problem =
      ines.call(:post, "/api/clients", { name: "Harbour Loaf", initials: "HL", edge: "#336655", zone: "Mars/Base" })
    expect([status, problem["code"], problem["field"]]).to eq [422, "bad_zone", "zone"]
    _, made =
      ines.call(
        :post,
        "/api/clients",
        {
          name: "Harbour Loaf",
          initials: "HL",
          edge: "#336655",
          zone: "Europe/Lisbon",
          copy_from: world.workspace,
          copy: %w[route people]
        }
      )
    base = "/api/w/#{made["id"]}"
    expect(ines.call(:put, "#{base}/settings", { holidays: "pt" }).first).to eq 428
    expect(ines.call(:put, "#{base}/settings", { holidays: "pt" }, "HTTP_IF_MATCH" => '"1"')).to eq [
         200,
         { "version" => 2 }
       ]
    expect(ines.call(:put, "#{base}/settings", { holidays: "es" }, "HTTP_IF_MATCH" => '"1"')).to match [
            409,
            a_hash_including("code" => "settings_changed")
          ]
    expect(ines.call(:put, "#{base}/brand/voice", { value: "Warm." }, "HTTP_IF_MATCH" => '"0"')).to eq [
         200,
         { "version" => 1 }
       ]
    expect(ines.call(:put, "#{base}/brand/smell", { value: "Warm." }, "HTTP_IF_MATCH" => '"0"').first).to be_between(
      404,
      422
    )
    expect(
      ines.call(:post, "#{base}/channels/offline", { name: "Leaflet", initials: "Leaf", limit: 10, pictures: 1 })
    ).to match [422, a_hash_including("field" => "initials")]
    expect(
      ines.call(:post, "#{base}/channels/offline", { name: "Leaflet", initials: "Lf", limit: 10, pictures: 1 }).first
    ).to eq 201
    _, invited =
      ines.call(
        :post,
        "#{base}/invitations",
        { addresses: "a@harbour.example\nnonsense", role_id: db[:roles].where(name: "client approver").get(:id) }
      )
    expect(invited["results"].map { |one| one["invited"] }).to eq [true, false]
    expect(ines.call(:put, "#{base}/setup-step", { step: nil }).first).to eq 204
    expect(ines.call(:get, "/api/me").last["workspaces"].find { |one| one["id"] == made["id"] }).to include(
      "name" => "Harbour Loaf",
      "setup_step" => nil
    )
  end

  it "a picture that is none, or of 200 megapixels, is refused at its field" do
    huge = Vips::Image.black(20_000, 10_000).pngsave_buffer(compression: 9)
    { "<html>" => "not_a_picture", huge => "picture_too_large" }.each do |bytes, code|
      ines.custom_request(
        "POST",
        "/api/w/#{world.workspace}/logo",
        {},
        { "CONTENT_TYPE" => "application/octet-stream", :input => bytes }
      )
      expect([ines.last_response.status, JSON.parse(ines.last_response.body).values_at("code", "field")]).to eq [
           422,
           [code, "file"]
         ]
    end
  end

  it "an invitation is looked at and accepted by its secret alone; used twice, invented and expired say so" do
    nobody = ApiWorld.client
    expect(nobody.call(:post, "/api/invitation/look", { token: "A" * 43 })).to match [
            410,
            a_hash_including("code" => "invitation_over")
          ]
    email = "api#{SecureRandom.hex(3)}@fernhollow.example"
    world.act("People::Invite", :ines, addresses: email, role_id: db[:roles].where(name: "assistant").get(:id))
    world.act(
      "People::MailInvitation",
      AskFirst::App::Member.process(world.workspace, "dispatcher"),
      invitation_id: db[:invitations].where(email: email).get(:id)
    )
    token =
      JSON.parse(Net::HTTP.get(URI("#{Infrastructure.stand_ins[:url]}/mail/#{email}.json"))).first["text"][
        %r{/invitation#/(\S+)},
        1
      ]
    expect(nobody.call(:post, "/api/invitation/look", { token: token }).last).to include(
      "client" => "Quillmere Ferries",
      "known" => false,
      "signed_in_as" => nil
    )
    expect(
      nobody.call(:post, "/api/invitation/accept", { token: token, name: "Api Person", password: "short" })
    ).to match [422, a_hash_including("field" => "password")]
    expect(
      nobody.call(
        :post,
        "/api/invitation/accept",
        { token: token, name: "Api Person", password: "rain on the seventh pier" }
      )
    ).to eq [200, { "workspace_id" => world.workspace, "side" => "agency" }]
    expect(
      nobody.call(
        :post,
        "/api/invitation/accept",
        { token: token, name: "Again", password: "rain on the seventh pier" }
      )
    ).to match [410, a_hash_including("code" => "invitation_used")]
  end
end
