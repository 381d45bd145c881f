# frozen_string_literal: true

# What a member whose part is limited to one channel may not see is not reached from the side either: by no id inside
# the body of a call on something of theirs, and in no row inside an answer about something of theirs. Every route
# comes from the description, so that one that is added is tried by itself.
RSpec.describe "What is hidden from a limited member" do
  let(:own) { world.workspace }
  let(:nowhere) { AskFirst::Core::Uuid.v7(Time.now) }
  let(:mark) { "Unseen#{SecureRandom.hex(4)}" }

  # Somebody who may do everything, on Ticker alone.
  let(:client) { ApiWorld.client(world.somebody("agency owner", limited: :ticker).first) }

  # One of everything on a channel, with a word by which it would be known.
  def things(network, word)
    post = world.act("Posts::CreatePost", :ines, subject: "#{word} post")
    world.act("Posts::ChooseChannels", :ines, post_id: post, channel_ids: [world.channel(network)])
    world.write(post, "text", "#{word} sails at 7:20.", who: :ines)
    picture = world.act("Media::UploadMedia", :ines, io: SpecWorld.picture(rand(1_000_000)), name: "#{word}.jpg")[:id]
    world.write(post, "media", [picture], who: :ines)
    world.write(post, "time", { "wall" => "2026-10-20T07:30", "zone" => "Europe/Lisbon" }, who: :ines)
    world.ask(post, 0)
    idea = idea(network, word)
    feed = feed(network, word, idea)
    pencil(network, word, idea)
    task =
      world.act(
        "Traffic::AssignTask",
        :ines,
        post_id: post,
        kind: "copy",
        title: "#{word} task",
        person_id: world.person(:maro),
        due: {
          "wall" => "2026-10-20T12:00",
          "zone" => "Europe/Lisbon"
        }
      )
    line = world.line(post)
    {
      "post" => post,
      "adaptation" => world.adaptation(post, network),
      "media" => picture,
      "idea" => idea,
      "feed" => feed,
      "task" => task,
      "channel" => world.channel(network),
      "line" => line[:id],
      "ask" => line[:ask_id],
      "set" => world.act("Channels::SaveSet", :ines, name: "#{word} set", channel_ids: [world.channel(network)]),
      "rendition" => db[:revision_adaptations].where(post_id: post).get(:rendition_ids).to_a.first,
      "fingerprint" => db[:revision_adaptations].where(post_id: post).get(:fingerprint)
    }
  end

  def idea(network, word)
    said = { "title" => "#{word} idea", "audience" => word, "channel_id" => world.channel(network) }
    world.act("Ideas::SaveIdea", :ines, fields: said)[:id]
  end

  # A colleague's place for the idea on Ticker, and a feed from which it is said to have come.
  def pencil(network, word, idea)
    day = network == :ticker ? "2026-11-03" : "2026-11-04"
    mark = { "day" => day, "channel_id" => world.channel(:ticker), "word" => word[0, 3], "idea_id" => idea }
    world.act("Plan::UpdateMarks", :ines, put: [mark])
  end

  def feed(network, word, idea)
    address = "http://quillmere.example/#{word}"
    said = { "address" => address, "name" => "#{word} feed", "channel_id" => world.channel(network) }
    id = world.act("Feeds::SaveFeed", :ines, fields: said)[:id]
    open =
      world.act(
        "Feeds::SaveFeed",
        :ines,
        fields: {
          "address" => "http://quillmere.example/#{SecureRandom.hex(4)}",
          "name" => "All"
        }
      )[
        :id
      ]
    item = { workspace_id: own, outcome: "idea", title: "#{word} item", idea_id: idea, at: world.environment.now }
    [id, open].each do |one|
      world.owner[:feed_items].insert(item.merge(feed_id: one, id: AskFirst::Core::Uuid.v7(Time.now)))
    end
    id
  end

  def all_of(things) = things.values.compact

  # Every place of a body that takes an id, as the way there.
  def id_places(schema, way = [])
    schema = Routes.resolve(schema)
    return (schema["oneOf"] || []).flat_map { |one| id_places(one, way) } if schema["oneOf"]

    case schema["type"]
    when "object"
      (schema["properties"] || {}).flat_map { |name, inner| id_places(inner, [*way, name]) }
    when "array"
      id_places(schema["items"], [*way, 0])
    else
      schema["format"] == "uuid" || way.grep(String).last.to_s.match?(/(\A|_)ids?\z/) ? [way] : []
    end
  end

  def put(body, way, value)
    first, *rest = way
    return value if first.nil?
    return [put(nil, rest, value)] if first == 0

    (body.is_a?(Hash) ? body : {}).merge(first => put(body.is_a?(Hash) ? body[first] : nil, rest, value))
  end

  def schema_of(call)
    operation = Routes.described["paths"][call.template][call.verb]
    Routes.resolve(operation["requestBody"] || {}).dig("content", "application/json", "schema")
  end

  # The hidden things that this field could mean.
  def meant(way, hidden)
    name = way.grep(String).last.to_s.sub(/_?ids?\z/, "")
    hidden.key?(name) ? [hidden[name]] : hidden.except("fingerprint").values.compact
  end

  it "is in no answer about what is theirs" do
    hidden = things(:vitrine, mark)
    seen = things(:ticker, "Seen#{SecureRandom.hex(4)}")
    sought = /#{[mark, *all_of(hidden)].map { |one| Regexp.escape(one.to_s) }.join("|")}/
    reads =
      Routes.of(own, seen).select { |call| call.verb == "get" } +
        Routes.described["paths"]
          .select { |template, item| item.key?("get") && template.start_with?("/api/") && !template.include?("{") }
          .map { |template, item| Routes.call("get", template, item, item["get"], {}) }
    told =
      reads.filter_map do |call|
        client.get(call.path, {}, "HTTP_ACCEPT" => "application/json")
        body = client.last_response.body.dup.force_encoding("UTF-8").scrub
        [call.to_s, body[/.{0,300}(?:#{sought.source}).{0,100}/m]] if client.last_response.ok? && body.match?(sought)
      end
    expect(told).to eq []
    answered = reads.count { |call| client.get(call.path) && client.last_response.ok? }
    expect(answered).to be > 60
  end

  it "is reached by no id inside a body: each answers as if it were nowhere, and nothing of it changes" do
    hidden = things(:vitrine, mark)
    seen = things(:ticker, "Seen#{SecureRandom.hex(4)}")
    standing = -> do
      {
        posts: db[:posts].where(id: hidden["post"]).all,
        parts: db[:parts].where(post_id: hidden["post"]).all,
        ideas: db[:ideas].where(id: hidden["idea"]).all,
        media:
          db[:media].where(id: hidden["media"]).all.map { |row| row.except(:read_at, :likeness, :near_to, :guess) },
        feeds: db[:feeds].where(id: hidden["feed"]).all,
        tasks: db[:tasks].where(id: hidden["task"]).all,
        sets: db[:channel_sets].where(id: hidden["set"]).all
      }
    end
    before = standing.call
    tried = 0
    odd =
      Routes
        .of(own, seen)
        .reject { |call| call.verb == "get" || call.body.nil? || call.template.match?(%r{/delete\z|/archive\z}) }
        .flat_map do |call|
          # a new post's own id is chosen by its writer: no two are the same
          ways =
            id_places(schema_of(call)).reject { |way| call.to_s == "POST /api/w/{workspace}/posts" && way == ["id"] }
          ways.flat_map do |way|
            meant(way, hidden).filter_map do |id|
              tried += 1
              real, invented =
                [id, nowhere].map do |one|
                  status, body =
                    Routes.make(client, call.dup.tap { |other| other.body = put(call.body, way, one) }, version: 1)
                  [status, JSON.generate(body).gsub(one, "ID")]
                end
              next if real.first >= 400 && real.first == invented.first && real.last == invented.last
              next if real.first < 300 && invented.first < 300 && !real.last.match?(mark) # it is not looked at

              [call.to_s, way, real, invented]
            end
          end
        end
    expect(odd).to eq []
    expect(tried).to be > 60
    expect(standing.call).to eq before
    words = db[:parts].where(workspace_id: own).exclude(post_id: hidden["post"]).select_map(:value).map(&:to_s)
    expect(words.grep(/#{mark}|#{hidden["media"]}/)).to eq []
  end

  it "of a colleague's place for an idea of another channel, makes nothing, neither by its cell nor by its id, and " \
       "leaves it standing" do
    hidden = things(:vitrine, mark)
    cell = { day: "2026-11-04", channel_id: world.channel(:ticker) }
    posts = -> { db[:posts].where(workspace_id: own).count }
    before = posts.call
    expect(client.call(:post, "/api/w/#{own}/plan/marks/write", cell)).to match [
            403,
            a_hash_including("code" => "other_channel")
          ]
    drafts = ->(id) do
      body = { cells: [cell.merge(word: "Mine", day: "2026-11-05", idea_id: id)] }
      client.call(:post, "/api/w/#{own}/plan/drafts", body)
    end
    expect(drafts.call(hidden["idea"])).to eq drafts.call(nowhere)
    expect([drafts.call(nowhere).first, posts.call]).to eq [422, before]
    place = db[:pencil_marks].where(workspace_id: own, **cell)
    before = [place.all, posts.call]
    mine = cell.merge(word: "Mine")
    [
      [:put, "marks", { put: [mine], erase: [] }],
      [:put, "marks", { put: [], erase: [cell] }],
      [:post, "drafts", { cells: [mine] }]
    ].each do |verb, path, body|
      status, answer = client.call(verb, "/api/w/#{own}/plan/#{path}", body)
      expect([path, status, answer["code"]]).to eq [path, 403, "other_channel"]
    end
    expect([place.all, posts.call]).to eq before
  end
end
