# frozen_string_literal: true

module Demo
  # Quillmere's ideas, in three groups of the house's own, with votes, keywords and days; some are made into something,
  # one came from the client. And a few of the observatory's.
  class Ideas
    GROUPS = { winter: "Winter season", crew: "Crew and boats", regular: "Every week" }.freeze
    # title, note, group, who, what else
    KEPT = [
      [
        "What the deckhands eat at five",
        "Bread from the pier, and who bakes it. Ask Lise before the early boat.",
        :crew,
        :sunniva,
        { "category" => "Portrait", "audience" => "people who ride every day" }
      ],
      [
        "The lamp at pier three has a name",
        "The harbour master calls it Greta. Nobody knows why; ask him.",
        :crew,
        :maro,
        { "category" => "Portrait", "due_on" => "2026-10-30", "status" => "ready" }
      ],
      [
        "Fog days, explained in three pictures",
        "Why the 7:20 waits, and what waits with it.",
        nil,
        :ines,
        { "due_on" => "2026-10-12", "category" => "Explained", "audience" => "commuters" }
      ],
      [
        "How a ferry turns round without turning",
        "Both ends are the front. A short film from the bridge would do.",
        :crew,
        :tobiah,
        { "category" => "Explained" }
      ],
      [
        "Night boat: what you hear when it is dark",
        "Sound only, a black picture, captions with the pier names.",
        :winter,
        :maro,
        { "due_on" => "2026-11-20", "category" => "Film", "status" => "ready" }
      ],
      [
        "Countdown to the winter timetable",
        "One line a day for a week: which boat, which minute.",
        :winter,
        :ines,
        { "due_on" => "2026-11-08", "category" => "Timetable" }
      ],
      [
        "Ask the passengers for their window seat",
        "Which side, which row, what they see from there.",
        :winter,
        :dulcie,
        { "category" => "Question", "link" => "https://quillmere.example/winter" }
      ],
      ["Dogs that ride for free", "They do. Nobody has told them.", nil, :sunniva, { "category" => "Portrait" }],
      [
        "The week in one number",
        "Boats on time, of all boats. Also when it is a bad number.",
        :regular,
        :ines,
        { "category" => "Figure", "status" => "ready" }
      ],
      [
        "Monday: the weather of the river",
        "Three words and one picture, before the first boat.",
        :regular,
        :maro,
        { "category" => "Weather" }
      ],
      [
        "A poster of all pier lamps",
        "Sixteen lamps, one sheet. For print, too.",
        nil,
        :sunniva,
        { "status" => "aside" }
      ]
    ].freeze
    KEYWORDS = [
      { "words" => "fog ferry delay", "volume" => 1_900, "competition" => "low" },
      { "words" => "ferry on time", "volume" => 5_400, "competition" => "medium" },
      { "words" => "harbour lamps", "volume" => 320, "competition" => "low" }
    ].freeze
    VOTES = {
      "The lamp at pier three has a name" => {
        ines: 5,
        tobiah: 4,
        sunniva: 5,
        dulcie: 4
      },
      "Fog days, explained in three pictures" => {
        ines: 4,
        maro: 5,
        tobiah: 4
      },
      "Night boat: what you hear when it is dark" => {
        ines: 5,
        sunniva: 3
      },
      "The week in one number" => {
        ines: 4,
        tobiah: 5,
        dulcie: 3
      },
      "Dogs that ride for free" => {
        maro: 2,
        tobiah: 3
      }
    }.freeze
    OBSERVATORY = [
      ["Which star was it, last night at nine?", "Answer the mails of the week in one post.", :maro],
      ["The dome is louder than you think", "A short film with its sound.", :tobiah]
    ].freeze

    # @param world [World]
    # @param clock [Clock]
    def initialize(world, clock)
      @world = world
      @clock = clock
    end

    def furnish
      @groups = GROUPS.transform_values { |name| act("SaveGroup", :ines, name: name) }
      KEPT.each_with_index { |kept, at| @clock.at(@clock.now - ((KEPT.size - at) * 17 * 3_600)) { keep(*kept) } }
      OBSERVATORY.each { |title, note, who| keep(title, note, nil, who, {}, client: :brackwater) }
      vote
      from_client
      become
      feed
    end

    private

    def act(name, who, client = :quillmere, **input)
      AskFirst::App::Ideas.const_get(name).call(@world.environment, @world.member(who, client), **input)
    end

    def ideas = @world.db[:ideas].where(workspace_id: @world.workspaces[:quillmere])
    def named(title) = ideas.where(title: title).get(:id)

    def keep(title, note, group, who, more, client: :quillmere)
      said = { "title" => title, "note" => note, "group_id" => group && @groups[group], **more }
      said["keywords"] = KEYWORDS if title.start_with?("Fog days")
      said["media_ids"] = pictures(title) if client == :quillmere
      act("SaveIdea", who, client, fields: said)
    end

    # Those that the library has for it.
    def pictures(title)
      name = {
        "The lamp" => "fog-lamp-04.jpg",
        "Night boat" => "night-boat-dawn.jpg",
        "What the deck" => "crew-lise.jpg"
      }
      wanted = name.find { |start, _| title.start_with?(start) }&.last
      @world.db[:media].where(workspace_id: @world.workspaces[:quillmere], name: wanted.to_s).select_map(:id)
    end

    def vote
      VOTES.each { |title, votes| votes.each { |who, worth| act("Vote", who, idea_id: named(title), worth: worth) } }
    end

    def from_client
      settings = @world.db[:workspaces].where(id: @world.workspaces[:quillmere])
      AskFirst::App::Clients::UpdateSettings.call(
        @world.environment,
        @world.member(:ines, :quillmere),
        version: settings.get(:version),
        clients_give_ideas: true
      )
      note = "The school class from the hill comes on board on the 4th. Maybe they have questions?"
      act("GiveIdea", :odile, title: "Children ask the captain", note: note)
    end

    # The news of Quillmere's own site, without what is said of fog: read by the dispatcher once it runs.
    def feed
      said = { "address" => "http://quillmere.example/news.xml", "name" => "News of quillmere.example" }
      id = save_feed(fields: said)[:id]
      rule = { "without" => ["fog"], "title" => "News: {title}" }
      begun = { "begin" => true, "take" => 2, "rule" => rule, "group_id" => @groups[:regular] }
      save_feed(feed_id: id, version: 1, fields: begun)
    end

    def save_feed(**input)
      AskFirst::App::Feeds::SaveFeed.call(@world.environment, @world.member(:ines, :quillmere), **input)
    end

    # One has its day in the plan, one its post.
    def become
      channel = @world.channels.fetch(:quillmere).fetch(:vitrine)
      act("PencilIn", :ines, idea_id: named("The week in one number"), day: "2026-10-30", channel_id: channel)
      act("CreatePost", :ines, idea_id: named("Countdown to the winter timetable"))
    end
  end
end
