# frozen_string_literal: true

# Ideas by mail: to a private address, from its owner.
RSpec.describe "An idea by mail" do
  let(:client) { fresh_client }
  let(:ours) { "ines@fernhollow.example" }

  def address
    @address ||= world.act("Ideas::CreateAddress", :ines, client)[:address]
  end

  def incoming(to: address, from: ours, subject: "Fog lamp", body: "Who lights the lamp?", files: {}, cut: false)
    mail = Mail.new(from: from, to: to, subject: subject, body: body)
    files.each { |name, bytes| mail.add_file(filename: name, content: bytes) }
    @raw = mail.to_s
    world.environment.messages.of(@raw, cut: cut)
  end

  def take(mail) = AskFirst::App::Ideas::TakeMail.call(world.jobs, mail)
  def ideas = db[:ideas].where(workspace_id: world.workspace(client)).order(:id).all
  def told = db[:notices].where(workspace_id: world.workspace(client), kind: "idea").select_map(:words)

  it "is kept with its subject as the title and its words as the note, once" do
    mail = incoming(subject: "Fwd: Fog lamp")
    expect([take(mail), take(mail)]).to eq %w[kept kept]
    expect(ideas).to match [
            hash_including(title: "Fog lamp", note: "Who lights the lamp?", came: "mail", given_by: world.person(:ines))
          ]
  end

  it "brings its pictures into the client's media; ten at most, and what cannot be kept is named" do
    pictures = (1..9).to_h { |seed| ["lamp-#{seed}.jpg", SpecWorld.picture(seed).string] }
    take(
      incoming(files: { "notes.zip" => "PK\x03\x04no picture", **pictures, "last.jpg" => SpecWorld.picture(40).string })
    )
    idea = ideas.first
    expect(db[:idea_media].where(idea_id: idea[:id]).count).to eq 9
    expect(idea[:note]).to end_with "Not kept of the mail: notes.zip, last.jpg"
    expect(db[:media].where(workspace_id: world.workspace(client)).count).to eq 9
  end

  it "from a stranger is not kept; its owner is told, once an hour" do
    2.times { |n| expect(take(incoming(from: "somebody@elsewhere.example", body: "Buy #{n}"))).to eq "elsewhere" }
    expect([ideas, told.size]).to eq [[], 1]
    expect(told.first).to include "somebody@elsewhere.example"
  end

  it "of one person is not held up by many of another's" do
    stub_const("AskFirst::Core::Talk::Reply::AN_HOUR", 1)
    mine = world.act("Ideas::CreateAddress", :bram, client)[:address]
    expect([take(incoming), take(incoming(body: "One more"))]).to eq %w[kept too_many]
    expect(take(incoming(to: mine, from: "bram@fernhollow.example", body: "His own"))).to eq "kept"
  end

  it "that is empty, too large, a machine's or one of very many is not kept" do
    expect(take(incoming(subject: "", body: ""))).to eq "empty"
    expect(take(incoming(cut: true))).to eq "too_long"
    incoming
    automatic = @raw.sub("Subject:", "Auto-Submitted: auto-replied\nSubject:")
    expect(take(world.environment.messages.of(automatic))).to eq "automatic"
    stub_const("AskFirst::Core::Talk::Reply::AN_HOUR", 1)
    expect(take(incoming(body: "One more"))).to eq "too_many"
    expect(ideas).to eq []
  end

  it "to an address that was made anew, or of somebody who is no member any more, is nobody's or over" do
    old = incoming
    world.act("Ideas::CreateAddress", :ines, client)
    expect(take(old)).to be_nil
    @address = nil
    fresh = incoming(to: world.act("Ideas::MyAddress", :ines, client)[:address])
    here = { workspace_id: world.workspace(client) }
    world.owner[:memberships]
      .where(here)
      .exclude(person_id: world.person(:bram))
      .update(ended_at: world.environment.now)
    expect(take(fresh)).to eq "over"
    expect(ideas).to eq []
  end

  it "the database keeps no address in the clear" do
    token = address[/\h{40}/]
    row = db[:idea_addresses].where(workspace_id: world.workspace(client)).first
    expect(row.values_at(:digest, :sealed).map(&:b)).to all(satisfy { |bytes| !bytes.include?(token) })
    expect(world.act("Ideas::MyAddress", :ines, client)).to eq(address: address, mail: true)
  end

  it "is fetched with the answers to our mails" do
    environment = world.jobs.dup
    incoming
    letter = AskFirst::Edge::Mail::Inbox::Letter.new(uid: "1", raw: @raw, cut: false)
    environment.inbox =
      Class
        .new do
          define_method(:fetch) { |**| [letter] }
          define_method(:forget) { |_| nil }
        end
        .new
    expect(AskFirst::App::Talk::FetchReplies.new(environment).call).to eq ["kept"]
    expect(ideas.size).to eq 1
  end
end
