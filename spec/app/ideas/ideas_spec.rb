# frozen_string_literal: true

# A client's ideas: kept, put in order, voted on, made into posts and marks and brought back; given by the client.
RSpec.describe "The ideas of a client" do
  let(:client) { fresh_client }

  def keep(who = :ines, id: nil, version: 0, **said)
    world.act("Ideas::SaveIdea", who, client, fields: said.transform_keys(&:to_s), idea_id: id, version: version)[:id]
  end

  def one(id, who: :ines) = world.act("Ideas::IdeaDetail", who, client, idea_id: id)
  def titles(who: :ines, order: "place", **filters) = page(who, order, filters).map { |idea| idea[:title] }
  def page(who, order, filters) = world.act("Ideas::IdeaList", who, client, filters: filters, order: order)[:ideas]
  def board(**filters) = world.act("Ideas::Board", :ines, client, filters: filters)
  def group(name) = world.act("Ideas::SaveGroup", :ines, client, name: name)
  def picture(seed = 1) =
    world.act("Media::UploadMedia", :ines, client, io: SpecWorld.picture(seed), name: "lamp.jpg")[:id]

  def code
    yield
    nil
  rescue AskFirst::Core::Error => e
    [e.code, e.field].compact
  end

  def member_here(who, role: "account lead", side: "agency")
    row = { workspace_id: world.workspace(client), id: AskFirst::Core::Uuid.v7(Time.now), since: world.environment.now }
    world.owner[:memberships].insert(
      **row,
      person_id: world.person(who),
      side: side,
      role_id: db[:roles].where(name: role).get(:id)
    )
  end

  it "stands newest first in its group, and moves where it is put" do
    crew = group("Crew")
    fog, pier, lamp = %w[Fog Pier Lamp].map { |title| keep(title: title) }
    expect(titles(group: "none")).to eq %w[Lamp Pier Fog]
    world.act("Ideas::PlaceIdea", :ines, client, idea_id: fog, group_id: nil, before: lamp)
    expect(titles(group: "none")).to eq %w[Fog Lamp Pier]
    [pier, lamp].each { |id| world.act("Ideas::PlaceIdea", :ines, client, idea_id: id, group_id: crew) }
    expect([titles(group: crew), titles(group: "none")]).to eq [%w[Pier Lamp], %w[Fog]]
    expect(board[:groups].map { |one| [one[:name], one[:first].map { |idea| idea[:title] }] }).to eq [
         ["", %w[Fog]],
         ["Crew", %w[Pier Lamp]]
       ]
    expect(world.act("Ideas::RemoveGroup", :ines, client, group_id: crew)).to eq 2
    expect(titles(group: "none").size).to eq 3
  end

  it "keeps its groups in an order of their own, each name once" do
    crew, piers = %w[Crew Piers].map { |name| group(name) }
    world.act("Ideas::OrderGroups", :ines, client, group_ids: [piers, crew])
    expect(board[:groups].map { |one| one[:name] }).to eq ["", "Piers", "Crew"]
    expect(code { group(" crew ") }).to eq %w[name_taken name]
    expect(code { group("  ") }).to eq %w[name_missing name]
  end

  it "is found by its words and its keywords, page by page with nothing twice and nothing left out" do
    stub_const("AskFirst::App::Ideas::IdeaList::PAGE", 2)
    keep(title: "Fog lamp", keywords: [{ "words" => "harbour lights" }], category: "Boats", due_on: "2026-11-01")
    keep(title: "Pier", note: "Who lights the lamp?", due_on: "2026-10-20")
    keep(title: "Menu")
    expect(titles(words: "LAMP")).to eq ["Pier", "Fog lamp"]
    expect(titles(words: "harbour")).to eq ["Fog lamp"]
    expect(titles(words: "lamp harbour")).to eq ["Fog lamp"]
    expect(titles(category: "Boats")).to eq ["Fog lamp"]
    %w[place newest worth due].each do |order|
      seen = []
      after = nil
      loop do
        found = world.act("Ideas::IdeaList", :ines, client, order: order, after: after)
        seen += found[:ideas].map { |idea| idea[:title] }
        after = found[:next] or break
      end
      expect(seen).to match_array ["Fog lamp", "Pier", "Menu"]
      expect(seen).to eq ["Pier", "Fog lamp", "Menu"] if order == "due"
    end
  end

  it "is changed by whoever saw it as it is; another one is told, and nothing is lost" do
    id = keep(title: "Fog")
    keep(id: id, version: 1, note: "Ask Lise")
    expect(one(id)).to include(title: "Fog", note: "Ask Lise", version: 2)
    expect(code { keep(id: id, version: 1, note: "Ask Tom") }).to eq %w[idea_changed version]
    expect(one(id)[:note]).to eq "Ask Lise"
  end

  it "is rated by the house, one vote each, which can be changed and taken back" do
    member_here(:maro, role: "copywriter")
    id = keep(title: "Fog")
    other = keep(title: "Pier")
    vote = ->(who, worth, on = id) { world.act("Ideas::Vote", who, client, idea_id: on, worth: worth) }
    vote.call(:ines, 5)
    expect(vote.call(:maro, 4)).to eq(votes: 2, worth: 3.75, mine: 4)
    expect(vote.call(:maro, 2)).to include(votes: 2, worth: 3.25)
    vote.call(:ines, 4, other)
    expect(titles(order: "worth")).to eq %w[Pier Fog]
    expect(one(id)).to include(
      worth: 3.25,
      voted: contain_exactly({ name: anything, worth: 5 }, { name: anything, worth: 2 })
    )
    expect(vote.call(:maro, nil)).to include(votes: 1, mine: nil)
    expect(code { vote.call(:ines, 6) }).to eq %w[bad_vote worth]
  end

  describe "Made into a post" do
    let(:channel) { @channel ||= connected(client) }
    let(:whole) do
      keep(
        title: "Fog lamp",
        note: "Who lights the lamp?",
        link: "https://quillmere.example/lamp",
        audience: "commuters",
        category: "Boats",
        keywords: [{ "words" => "fog ferries", "volume" => 900, "competition" => "low" }],
        channel_id: channel,
        media_ids: [picture],
        due_on: "2026-10-20"
      )
    end

    def parts(post) = db[:parts].where(post_id: post, channel_id: nil).select_hash(:part, :value)

    it "carries everything over, and is no open idea any more" do
      medium = one(whole)[:media_ids].first
      world.act(
        "Media::UpdateMedium",
        :ines,
        client,
        media_id: medium,
        fields: {
          "description" => "A lamp"
        },
        version: 1
      )
      post = world.act("Ideas::CreatePost", :ines, client, idea_id: whole)
      expect(parts(post)).to include(
        "text" => "Who lights the lamp?",
        "media" => [medium],
        "descriptions" => {
          medium => "A lamp"
        },
        "link" => include("address" => "https://quillmere.example/lamp")
      )
      row = db[:posts].where(id: post).first
      expect(row).to include(subject: "Fog lamp", idea_id: whole)
      expect(row[:note]).to eq "For: commuters\nKeywords: fog ferries (900 a month, low)"
      expect(db[:adaptations].where(post_id: post).select_map(:channel_id)).to eq [channel]
      expect(db[:post_labels].where(post_id: post).count).to eq 1
      expect(one(whole)).to include(state: "post", post_id: post)
      expect([titles(state: "open"), titles(state: "made")]).to eq [[], ["Fog lamp"]]
      expect(code { world.act("Ideas::CreatePost", :ines, client, idea_id: whole) }).to eq %w[made_already]
    end

    it "whoever wrote the idea has words in the post" do
      member_here(:maro, role: "copywriter")
      id = keep(:maro, title: "Fog", note: "Who lights it?")
      post = world.act("Ideas::CreatePost", :ines, client, idea_id: id)
      authors = db[:parts].where(post_id: post, part: "text").get(:authors).to_a
      expect(authors).to match_array [world.person(:maro), world.person(:ines)]
    end

    it "is brought back with what was written meanwhile; a post that is asked for stays" do
      post = world.act("Ideas::CreatePost", :ines, client, idea_id: whole)
      world.write(post, "text", "The harbour master lights it.", who: :ines, client: client)
      world.act("Ideas::BringBack", :ines, client, idea_id: whole)
      expect(one(whole)).to include(state: "thought", note: "The harbour master lights it.", post_id: nil)
      expect(db[:posts].where(id: post).get(:discarded_at)).not_to be_nil
      expect(code { world.act("Ideas::BringBack", :ines, client, idea_id: whole) }).to eq %w[not_made]
    end

    it "is in time when its post is planned by its day" do
      post = world.act("Ideas::CreatePost", :ines, client, idea_id: whole)
      time = ->(day) do
        world.write(post, "time", { "wall" => "#{day}T09:00", "zone" => "Europe/Lisbon" }, who: :ines, client: client)
      end
      time.call("2026-10-20")
      expect(one(whole)).to include(timing: "in_time", planned: "2026-10-20")
      time.call("2026-10-21")
      expect(one(whole)).to include(timing: "after")
    end

    it "keeps a place in the plan, and the post that is made of it there has all of it" do
      pencil = ->(**more) { world.act("Ideas::PencilIn", :ines, client, idea_id: whole, day: "2026-10-22", **more) }
      pencil.call(clock: "07:30")
      expect(one(whole)).to include(state: "pencilled", planned: "2026-10-22", timing: "after")
      cell = { "day" => "2026-10-22", "channel_id" => channel }
      other = keep(title: "Pier", channel_id: channel)
      expect(code { world.act("Ideas::PencilIn", :ines, client, idea_id: other, day: "2026-10-22") }).to eq %w[
           cell_taken
           day
         ]
      post = world.act("Plan::CreateMarkPost", :ines, client, cells: [cell])
      expect(parts(post)).to include(
        "text" => "Who lights the lamp?",
        "time" => include("wall" => "2026-10-22T07:30:00")
      )
      expect(one(whole)).to include(state: "post", post_id: post)
    end

    it "goes with its mark through the plan, and is open again when the mark is erased" do
      world.act("Ideas::PencilIn", :ines, client, idea_id: whole, day: "2026-10-22")
      cell = { "day" => "2026-10-22", "channel_id" => channel }
      stood = world.act("Plan::UpdateMarks", :ines, client, erase: [cell])
      expect(one(whole)[:state]).to eq "thought"
      back = stood.map { |mark| mark.slice(:channel_id, :word, :idea_id).transform_keys(&:to_s) }
      world.act("Plan::UpdateMarks", :ines, client, put: back.map { |mark| mark.merge("day" => "2026-10-23") })
      expect(one(whole)).to include(state: "pencilled", planned: "2026-10-23")
      world.act("Ideas::BringBack", :ines, client, idea_id: whole)
      expect(one(whole)[:state]).to eq "thought"
      bad = [cell.merge("idea_id" => AskFirst::Core::Uuid.v7(Time.now))]
      expect(code { world.act("Plan::UpdateMarks", :ines, client, put: bad) }).to eq %w[no_such_idea put]
    end
  end

  it "whoever is limited to channels sees what is for theirs or for none, and of it what they may see" do
    theirs = connected(client)
    other = connected(client, "vitrine")
    medium = picture
    keep(title: "For Vitrine", channel_id: other)
    loose = keep(title: "For none", media_ids: [medium])
    keep(title: "For Ticker", channel_id: theirs)
    limited = limited_to(theirs)
    found = world.act("Ideas::IdeaList", limited)[:ideas]
    expect(found.map { |idea| [idea[:title], idea[:media_ids]] }).to match_array [["For Ticker", []], ["For none", []]]
    expect(world.act("Ideas::Board", limited)[:groups].first[:first].size).to eq 2
    expect(world.act("Ideas::IdeaDetail", limited, idea_id: loose)[:files]).to eq []
    post = world.act("Ideas::CreatePost", :ines, client, idea_id: loose)
    world.act("Posts::ChooseChannels", :ines, client, post_id: post, channel_ids: [other])
    row = world.act("Ideas::IdeaList", limited)[:ideas].find { |idea| idea[:id] == loose }
    expect(row).to include(state: "post", post_id: nil)
  end

  it "is thrown away and taken up again; what was made of it stays" do
    id = keep(title: "Fog")
    post = world.act("Ideas::CreatePost", :ines, client, idea_id: id)
    world.act("Ideas::RemoveIdea", :ines, client, idea_id: id)
    expect([titles, db[:posts].where(id: post).get(:discarded_at)]).to eq [[], nil]
    expect(code { one(id) }).to eq %w[not_found]
    world.act("Ideas::RestoreIdea", :ines, client, idea_id: id)
    expect(titles).to eq ["Fog"]
  end

  describe "Given by the client" do
    let(:odile) { world.member(:odile, client) }

    before { member_here(:odile, role: "client observer", side: "client") }

    def open_it(value: true)
      version = db[:workspaces].where(id: world.workspace(client)).get(:version)
      world.act("Clients::UpdateSettings", :ines, client, version: version, clients_give_ideas: value)
    end

    it "only where that is allowed, and the house is told" do
      expect(code { world.act("Ideas::GiveIdea", odile, title: "Crew day") }).to eq %w[not_wanted_here]
      open_it
      world.act("Ideas::GiveIdea", odile, title: "Crew day", note: "They bake on board")
      expect(titles(state: "client")).to eq ["Crew day"]
      told = db[:notices].where(workspace_id: world.workspace(client), kind: "idea").select_map(:words)
      expect(told).to include(a_string_including("gives an idea: “Crew day”"))
    end

    it "each sees what became of their own, and nothing else of the house" do
      open_it
      id = world.act("Ideas::GiveIdea", odile, title: "Crew day")
      keep(title: "Of the house")
      given = world.act("Ideas::GivenIdeas", odile)
      expect(given[:ideas]).to match [hash_including(id: id, title: "Crew day", words: "It is with your agency.")]
      expect(given[:ideas].first.keys).to eq %i[id title given_at state words]
      world.act("Ideas::CreatePost", :ines, client, idea_id: id)
      expect(world.act("Ideas::GivenIdeas", odile)[:ideas].first[:words]).to eq "A post is being made of it."
      world.act("Ideas::RemoveIdea", :ines, client, idea_id: id)
      expect(world.act("Ideas::GivenIdeas", odile)[:ideas].first[:words]).to eq "A post is being made of it."
      expect([code { one(id, who: odile) }, code { world.act("Ideas::Board", odile) }]).to eq [
           %w[not_found],
           %w[not_yours]
         ]
      expect(code { world.act("Ideas::GivenIdeas", :ines, client) }).to eq %w[not_found]
    end

    it "no more than twenty a day" do
      open_it
      stub_const("AskFirst::App::Ideas::GiveIdea::A_DAY", 1)
      world.act("Ideas::GiveIdea", odile, title: "Crew day")
      expect(code { world.act("Ideas::GiveIdea", odile, title: "Another") }).to eq %w[too_many_ideas title]
    end
  end
end
