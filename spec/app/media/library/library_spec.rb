# frozen_string_literal: true

# A client's media as a library.
RSpec.describe "The library of a client" do
  let(:client) { fresh_client }

  def upload(seed = 1, name: "boat #{seed}.jpg", who: :ines, **more)
    world.act("Media::UploadMedia", who, client, io: SpecWorld.picture(seed), name: name, **more)
  end

  def page(who: :ines, **how) = world.act("Media::Library", who, client, **how)
  def names(**filters) = page(filters: filters)[:media].map { |one| one[:name] }
  def one(id, who: :ines) = world.act("Media::Medium", who, client, media_id: id)

  def say(id, **said)
    world.act(
      "Media::UpdateMedium",
      :ines,
      client,
      media_id: id,
      fields: said.transform_keys(&:to_s),
      version: one(id)[:version]
    )
  end

  def member_here(client, who)
    row = { workspace_id: world.workspace(client), id: AskFirst::Core::Uuid.v7(Time.now), since: world.environment.now }
    lead = db[:roles].where(name: "account lead").get(:id)
    world.owner[:memberships].insert(**row, person_id: world.person(who), side: "agency", role_id: lead)
  end

  def code
    yield
    nil
  rescue AskFirst::Core::Error => e
    [e.code, e.field].compact
  end

  it "stands newest first, by name or by size, page by page, with nothing twice and nothing left out" do
    stub_const("AskFirst::App::Media::Library::PAGE", 2)
    all = (1..5).map { |seed| upload(seed, name: "Boat #{%w[c a E b d][seed - 1]}.jpg")[:name] }
    %w[newest name largest].each do |order|
      seen = []
      after = nil
      loop do
        found = page(order: order, after: after)
        seen += found[:media].map { |one| one[:name] }
        after = found[:next] or break
      end
      expect(seen).to match_array all
      expect(seen).to eq all.sort_by(&:downcase) if order == "name"
    end
    expect(code { page(after: AskFirst::Core::Uuid.v7(Time.now)) }).to eq %w[bad_cursor after]
  end

  it "is found by its name, its description, what is written on it and its labels, every word of them" do
    lamp = upload(1, name: "fog-lamp.jpg")[:id]
    upload(2, name: "pier.jpg")
    say(lamp, description: "A lit lamp at a pier", written: "Winter timetable", labels: ["Night boats"])
    expect([names(words: "LAMP"), names(words: "lit pier"), names(words: "timetable"), names(words: "night")]).to all(
      eq ["fog-lamp.jpg"]
    )
    expect(names(words: "lamp 50%")).to eq []
    expect(names(words: "pier")).to match_array %w[fog-lamp.jpg pier.jpg]
  end

  it "lies in folders of their own names, one at a time, and stays when its folder goes" do
    crew = world.act("Media::SaveFolder", :ines, client, name: " Crew  with consent ")
    inside = upload(1, folder_id: crew)[:id]
    loose = upload(2)[:id]
    here = world.act("Media::Folders", :ines, client)
    expect(here).to include(all: 2, loose: 1, folders: [{ id: crew, name: "Crew with consent", files: 1 }])
    expect(code { world.act("Media::SaveFolder", :ines, client, name: "CREW with consent") }).to eq %w[name_taken name]
    world.act("Media::SortMedia", :ines, client, media_ids: [inside, loose], folder_id: crew, labels: ["People"])
    expect(page(filters: { folder: crew })[:media].map { |one| one[:label_ids].size }).to eq [1, 1]
    expect(world.act("Media::RemoveFolder", :ines, client, folder_id: crew)).to eq 2
    expect(page(filters: { folder: "none" })[:media].size).to eq 2
  end

  it "says what is worth a look: not used, without description, nearly the same, many words, a right that ends" do
    used, near = [upload(1), upload(2)].map { |row| row[:id] }
    again = Vips::Image.new_from_buffer(SpecWorld.picture(2).string, "").resize(0.7).jpegsave_buffer
    copy = world.act("Media::UploadMedia", :ines, client, io: StringIO.new(again), name: "smaller.jpg")[:id]
    world.read_media(client)
    post = world.act("Posts::CreatePost", :ines, client, subject: "Fog")
    world.write(post, "media", [used], who: :ines, client: client)
    say(
      used,
      description: "A ferry",
      boxes: [[0, 0, 600, 400]],
      usable_until: "2026-11-01",
      usable_note: "Lise, by mail"
    )
    looks = world.act("Media::Folders", :ines, client)[:looks]
    expect(looks).to eq("unused" => 2, "undescribed" => 2, "near" => 2, "words" => 1, "small" => 0, "ends" => 1)
    found =
      %w[unused undescribed near words ends].to_h do |look|
        [look, page(filters: { look: look })[:media].map { |one| one[:id] }]
      end
    expect(found["near"]).to match_array [near, copy]
    expect(found["unused"]).to match_array [near, copy]
    expect(found["words"] + found["ends"]).to eq [used, used]
    expect(one(used)).to include(
      covered: 0.24,
      wordy: true,
      usable: "soon",
      usable_until: "2026-11-01",
      used: 1,
      out: 0
    )
    expect(one(used)[:posts].map { |line| line[:id] }).to eq [post]
    expect(one(copy)[:near].map { |other| other[:id] }).to eq [near]
  end

  it "is warned of in a post that goes out after the right to use one of its files has ended" do
    crew = upload[:id]
    post = plain_post(client, connected(client), wall: "2026-11-02T09:00")
    world.write(post, "media", [crew], who: :ines, client: client)
    codes = -> do
      world.act("Posts::PostSheet", :ines, client, post_id: post)[:adaptations].flat_map do |one|
        one[:proof][:checks].map { |check| check[:code] }
      end
    end
    expect(codes.call).not_to include "right_ended"
    say(crew, usable_until: "2026-11-01")
    expect(codes.call).to include "right_ended"
  end

  it "keeps what two people write, and says to the second what stands there" do
    id = upload[:id]
    say(id, description: "A ferry")
    late = -> do
      world.act("Media::UpdateMedium", :ines, client, media_id: id, fields: { "description" => "A boat" }, version: 1)
    end
    expect(&late).to raise_error(AskFirst::Core::Conflict) { |e|
      expect(e.facts).to include("description" => "A ferry")
    }
    expect(one(id)[:description]).to eq "A ferry"
  end

  it "takes one of two who write at once, and the other hears of it" do
    id = upload[:id]
    codes =
      %w[A B].map do |words|
        Thread.new do
          said = { "description" => words, "labels" => [words] }
          code { world.act("Media::UpdateMedium", :ines, client, media_id: id, fields: said, version: 1) }
        end
      end
    expect(codes.map(&:value)).to match_array [nil, %w[medium_changed version]]
    expect([one(id)[:version], one(id)[:label_ids].size]).to eq [2, 1]
  end

  it "refuses what is no day, no name, a folder of another client" do
    id = upload[:id]
    other = world.act("Media::SaveFolder", :ines, name: "Elsewhere #{SecureRandom.hex(3)}")
    expect(code { say(id, usable_until: "2026-02-30") }).to eq %w[bad_day usable_until]
    expect(code { say(id, name: "  ") }).to eq %w[name_missing name]
    expect(code { say(id, boxes: [[0, 0, 2000, 1]]) }).to eq %w[bad_boxes boxes]
    expect(code { say(id, folder_id: other) }).to eq %w[not_found]
    expect(
      code { world.act("Media::SortMedia", :ines, client, media_ids: [id, AskFirst::Core::Uuid.v7(Time.now)]) }
    ).to eq(%w[not_found])
    expect(one(id)[:version]).to eq 1
  end

  it "takes the same file once" do
    first = upload(3)
    again = upload(3, name: "the same.jpg", once: true)
    expect(again).to include(id: first[:id], same: true)
    expect(page[:media].size).to eq 1
  end

  it "shows whoever is limited to channels what they added and what posts of theirs show" do
    ticker, vitrine = %w[ticker vitrine].map { |network| connected(client, network) }
    limited = limited_to(ticker, client: client)
    member_here(client, :wren)
    shown, hidden = [upload(1, who: :wren), upload(2, who: :wren)].map { |row| row[:id] }
    { shown => ticker, hidden => vitrine }.each do |id, channel|
      post = world.act("Posts::CreatePost", :ines, client, subject: "Fog")
      world.act("Posts::ChooseChannels", :ines, client, post_id: post, channel_ids: [channel])
      world.write(post, "media", [id], who: :ines, client: client)
    end
    expect(page(who: limited)[:media].map { |one| one[:id] }).to eq [shown]
    expect(world.act("Media::Folders", limited, client)[:all]).to eq 1
    expect(code { one(hidden, who: limited) }).to eq %w[not_found]
  end

  it "counts as a use only posts that its reader sees" do
    ticker, vitrine = %w[ticker vitrine].map { |network| connected(client, network) }
    limited = limited_to(ticker, client: client)
    mine = world.act("Media::UploadMedia", limited, client, io: SpecWorld.picture(7), name: "theirs.jpg")[:id]
    post = plain_post(client, vitrine)
    world.write(post, "media", [mine], who: :ines, client: client)
    said =
      [:ines, limited].map do |who|
        unused = world.act("Media::Folders", who, client)[:looks]["unused"]
        [unused, page(who: who, filters: { look: "unused" })[:media].size, one(mine, who: who)[:used]]
      end
    expect(said).to eq [[0, 0, 1], [1, 1, 0]]
  end
end
