# frozen_string_literal: true

# Each job does its one act, with what lies in the queue and nothing else.
RSpec.describe "What runs later" do
  let(:email) { "later#{SecureRandom.hex(4)}@fernhollow.example" }

  before { AskFirst::Jobs::Base.environment = world.jobs }
  after { AskFirst::Jobs::Base.environment = nil }

  def mails(to) = JSON.parse(Net::HTTP.get(URI("#{Infrastructure.stand_ins[:url]}/mail/#{to}.json")))
  def queued(name) = db[:que_jobs].where(job_class: "AskFirst::Jobs::#{name}").order(:id).last
  def run(name) = AskFirst::Jobs.const_get(name).new({}).send(:run, *queued(name)[:args].to_a)

  it "every job of the table tells its act what the act takes, and nothing else" do
    AskFirst::Jobs::ActJobs::TABLE.each do |job, (_, act, told)|
      parameters = AskFirst::App.const_get(act).instance_method(:call).parameters
      exactly = told.map { |one| [:keyreq, one] }
      expect([job, parameters]).to eq([job, exactly]).or eq([job, [%i[keyrest about]]]) # of App::MailAct
    end
    expect { world.environment.queue.ask_mail(world.workspace, SecureRandom.uuid, at: Time.now) }.to raise_error(
      ArgumentError,
      "ask_mail is told ask_id, person_id"
    )
  end

  it "an invitation is put into the queue with the act, and mailed by the job" do
    world.act("People::Invite", :ines, addresses: email, role_id: db[:roles].where(name: "assistant").get(:id))
    expect(mails(email)).to be_empty
    run("InvitationMail")
    expect(mails(email).map { |mail| mail["subject"] }).to eq ["Ines Calloway invites you to work on Quillmere Ferries"]
    world.act("People::RevokeInvitation", :ines, invitation_id: db[:invitations].where(email: email).get(:id))
    run("InvitationMail")
    expect(mails(email).size).to eq 1
  end

  it "a reset lies encrypted in the queue" do
    login = email.split("@").first
    AskFirst::App::People::AddPerson.call(
      world.environment,
      agency_id: db[:agencies].get(:id),
      name: "Later Person",
      email: email,
      zone: "Europe/Lisbon",
      password: Demo::World::PASSWORD,
      cost: SpecWorld::CHEAP
    )
    ApiWorld.client.post(
      "/api/auth/reset-password-request",
      JSON.generate(email: email),
      { "CONTENT_TYPE" => "application/json", "HTTP_ACCEPT" => "application/json" }
    )
    args = JSON.generate(queued("SealedMail")[:args])
    expect(args).to include(login)
    expect(args).not_to include("reset-password")
    run("SealedMail")
    expect(mails(email).first["text"]).to match(%r{/reset-password#/\S+})
  end

  it "a client is purged by its job at the end of its days, and by none before" do
    client = fresh_client("Later House")
    world.act("Clients::Delete", :bram, client, typed: "Later House")
    job = queued("PurgeClient")
    expect(job[:run_at]).to be_within(5).of(SpecWorld::NOON + (14 * 86_400)).or(
      satisfy { |at| at > Time.now + (13 * 86_400) }
    )
    run("PurgeClient")
    expect(db[:workspaces].where(id: world.workspace(client)).count).to eq 1
    world.clock.set(SpecWorld::NOON + (15 * 86_400))
    run("PurgeClient")
    expect(db[:workspaces].where(id: world.workspace(client)).count).to eq 0
  end

  it "a task's notice is one mail, also when the job runs twice" do
    post = world.draft
    db[:notices].where(person_id: world.person(:dulcie)).delete
    world.act(
      "Traffic::AssignTask",
      :ines,
      post_id: post,
      kind: "copy",
      title: "Pier names",
      person_id: world.person(:dulcie),
      due: {
        "wall" => "2026-10-20T12:00",
        "zone" => "Europe/Lisbon"
      }
    )
    before = mails("dulcie@fernhollow.example").size
    world.clock.set(SpecWorld::NOON + 86_400)
    2.times { AskFirst::Jobs::NoticeMail.new({}).send(:run, world.person(:dulcie)) }
    told = mails("dulcie@fernhollow.example")
    expect(told.size).to eq before + 1
    expect(told.first["text"]).to include "Pier names"
  end
end
