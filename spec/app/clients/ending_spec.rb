# frozen_string_literal: true

require "zip"

RSpec.describe "Archiving and deleting a client" do
  let(:client) { fresh_client("Tarn Mills") }
  let(:channel) { connected(client) }

  # One post released, one asked for.
  def busy
    one_step_route(client)
    released = plain_post(client, channel)
    world.ask(released, 0, client: client)
    world.answer(released, :bram, client: client)
    world.release(released, client: client)
    asked = plain_post(client, channel, text: "Another")
    world.act("Signoff::SendAsk", :ines, client, step_id: world.step(0, client), post_ids: [asked])
    [released, asked]
  end

  def archive(**more) = world.act("Clients::Archive", :ines, client, **more)

  it "says beforehand what would stop and what would go" do
    busy
    expect(world.act("Clients::WhatGoes", :ines, client)).to include(
      name: "Tarn Mills",
      posts: 2,
      releases: 1,
      open_asks: 1,
      channels: 1,
      people: 2,
      grace_days: 14
    )
  end

  it "a release that a route makes by itself stands in no archived client" do
    released, = busy
    world.act("Dispatch::TakeBack", :ines, client, post_id: released)
    db[:routes].where(workspace_id: world.workspace(client)).update(releases_itself: true)
    db[:releases].where(post_id: released).update(taken_back: false)
    process = AskFirst::App::Member.process(world.workspace(client), "worker")
    archive
    AskFirst::App::Dispatch::ReleaseCleared.call(world.jobs, process, post_ids: [released])
    expect(db[:releases].where(post_id: released, ended_at: nil)).to be_empty
    archive(out: true)
    AskFirst::App::Dispatch::ReleaseCleared.call(world.jobs, process, post_ids: [released])
    expect(db[:releases].where(post_id: released, ended_at: nil).count).to eq 1
  end

  it "an archived client is read only, releases nothing, and has no open asks" do
    released, asked = busy
    archive
    expect([world.stage(released), world.stage(asked)]).to eq %w[cleared drafting]
    expect(db[:releases].where(post_id: released, ended_at: nil)).to be_empty
    expect(db[:ask_lines].where(post_id: asked, ended_at: nil)).to be_empty
    expect(world.act("Posts::PostSheet", :ines, client, post_id: released)[:subject]).to eq "Late boat"
    [
      -> { world.release(released, client: client) },
      -> { world.act("Posts::CreatePost", :ines, client, subject: "x") },
      -> { world.act("Clients::UpdateSettings", :ines, client, version: 1, name: "x") },
      -> { world.act("Posts::Rename", :ines, client, post_id: released, subject: "x", version: 0) }
    ].each do |attempt|
      expect(&attempt).to raise_error(AskFirst::Core::Refused) { |error| expect(error.code).to eq "archived" }
    end
    archive(out: true)
    world.release(released, client: client)
    expect(world.stage(released)).to eq "released"
    expect(db[:record].where(workspace_id: world.workspace(client)).select_map(:act)).to include(
      "archived",
      "unarchived",
      "release_ended",
      "ask_withdrawn"
    )
  end

  it "what is planned at the moment of archiving is not sent, even by a dispatcher that has it in hand" do
    released, = busy
    id = db[:showings].where(post_id: released).get(:id)
    archive
    world.clock.set(Time.utc(2026, 10, 15, 6, 30))
    AskFirst::App::Dispatch::Advance.call(
      world.jobs,
      AskFirst::App::Member.process(world.workspace(client), "dispatcher"),
      showing_id: id
    )
    expect(db[:showings].where(id: id).get(:state)).not_to eq "out"
    expect(db[:attempts].where(showing_id: id, event: %w[sending sent])).to be_empty
  end

  it "the full export holds every table, the posts and the record as sheets, and all files, but no secret" do
    busy
    world.act("Clients::AddBrandFile", :ines, client, io: StringIO.new("guidelines"), name: "rules.txt")
    path = File.join(Dir.mktmpdir, "export.zip")
    expect(world.act("Clients::Export", :bram, client, path: path)).to eq "tarn-mills.zip"
    found = Zip::File.open(path) { |zip| zip.entries.to_h { |entry| [entry.name, entry.get_input_stream.read] } }
    expect(JSON.parse(found["tables/posts.json"]).size).to eq 2
    rows = CSV.parse(found["posts.csv"].force_encoding("UTF-8").delete_prefix("\uFEFF"), headers: true)
    expect(rows.map { |row| row["text"] }).to match_array ["The late boat waits.", "Another"]
    expect(found["record.csv"]).to include "Ines Calloway", "released"
    expect(found.find { |name, _| name.start_with?("brand/") && name.end_with?("rules.txt") }[1]).to eq "guidelines"
    connection = db[:connections].where(workspace_id: world.workspace(client)).first
    everything = found.values.join
    expect(everything).not_to include(connection[:token].unpack1("H*"))
    expect(JSON.parse(found["tables/connections.json"]).first.keys).not_to include("token", "refresh_token")
  end

  describe "deleting" do
    def delete(who = :bram, typed: "Tarn Mills") = world.act("Clients::Delete", who, client, typed: typed)
    def seen(who) =
      AskFirst::Store::People::Members
        .of_person(world.environment.db, world.person(who), world.environment.now)
        .map { |row| row[:workspace_id] }

    it "wants the name typed, and is an owner's" do
      busy
      expect { delete(typed: "tarn mills") }.to raise_error(AskFirst::Core::Invalid) { |error|
        expect([error.code, error.field]).to eq %w[name_differs name]
      }
      expect { world.act("Clients::Delete", :maro, :quillmere, typed: "Quillmere Ferries") }.to raise_error(
        AskFirst::Core::Refused
      )
      expect(seen(:ines)).to include world.workspace(client)
    end

    it "hides it from everybody at once and stops its releases; an owner restores it, archived" do
      released, = busy
      delete
      expect(seen(:ines)).not_to include world.workspace(client)
      expect(seen(:bram)).not_to include world.workspace(client)
      expect(db[:releases].where(post_id: released, ended_at: nil)).to be_empty
      listed =
        AskFirst::App::Agency::People.call(world.environment, agency_person(:bram))[:clients].find do |one|
          one[:id] == world.workspace(client)
        end
      expect(listed).to include(state: "deleted", gone_at: (SpecWorld::NOON + (14 * 86_400)).iso8601)
      expect {
        AskFirst::App::Clients::Restore.call(
          world.environment,
          agency_person(:ines),
          workspace_id: world.workspace(client)
        )
      }.to raise_error(AskFirst::Core::Refused)
      AskFirst::App::Clients::Restore.call(
        world.environment,
        agency_person(:bram),
        workspace_id: world.workspace(client)
      )
      expect(seen(:ines)).to include world.workspace(client)
      expect(db[:workspaces].where(id: world.workspace(client)).get(:archived_at)).not_to be_nil
      expect(db[:posts].where(workspace_id: world.workspace(client)).count).to eq 2
      expect(db[:agency_record].select_order_map(:act)).to include("client_deleted", "client_restored")
    end

    it "is for good after 14 days, and not before; the agency's record keeps that it was" do
      busy
      world.act("Clients::AddBrandFile", :ines, client, io: StringIO.new("guidelines"), name: "rules.txt")
      id = world.workspace(client)
      folder = File.join(world.settings.files, id)
      delete
      world.clock.set(SpecWorld::NOON + (14 * 86_400) - 60)
      expect(AskFirst::App::Clients::Purge.call(world.jobs, id)).to be_nil
      expect(db[:posts].where(workspace_id: id).count).to eq 2
      world.clock.set(SpecWorld::NOON + (14 * 86_400) + 60)
      expect(AskFirst::App::Clients::Purge.call(world.jobs, id)).to eq "Tarn Mills"
      tables =
        db[Sequel[:information_schema][:columns]].where(table_schema: "public", column_name: "workspace_id").select_map(
          :table_name
        )
      left = tables.select { |table| db[table.to_sym].where(workspace_id: id).any? }
      expect(left).to be_empty
      expect(db[:workspaces].where(id: id)).to be_empty
      expect(Dir.exist?(folder) && Dir.children(folder).any?).to be false
      expect(db[:agency_record].where(act: "client_purged").get(:facts)).to include("name" => "Tarn Mills")
    end

    it "a client that was restored in time is not purged by the job that still waits" do
      busy
      delete
      AskFirst::App::Clients::Restore.call(
        world.environment,
        agency_person(:bram),
        workspace_id: world.workspace(client)
      )
      world.clock.set(SpecWorld::NOON + (30 * 86_400))
      expect(AskFirst::App::Clients::Purge.call(world.jobs, world.workspace(client))).to be_nil
      expect(db[:posts].where(workspace_id: world.workspace(client)).count).to eq 2
    end
  end
end
