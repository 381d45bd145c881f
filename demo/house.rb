# frozen_string_literal: true

module Demo
  # What the story's clients are furnished with, beside their posts: brand sheets, further channels and people, two more
  # clients. Through the same acts as the interface.
  class House
    BRANDS = {
      quillmere: {
        "colours" => [
          { "name" => "harbour", "hex" => "#1D5C74" },
          { "name" => "funnel", "hex" => "#C65430" },
          { "name" => "lamp", "hex" => "#F2C94C" },
          { "name" => "foam", "hex" => "#F5F3EC" }
        ],
        "voice" => "A deckhand who has time. Short sentences, the weather first, a joke only when the boat is on time.",
        "do" => "Say the pier and the minute.\nWrite boats, not vessels.\nName the bus that goes instead.",
        "dont" => "No exclamation marks.\nNever promise the 7:20 in fog.\nNo photographs of passengers' faces.",
        "links" => [
          { "title" => "Harbour lamp", "address" => "https://quillmere.example/lamp" },
          { "title" => "Winter timetable", "address" => "https://quillmere.example/winter" }
        ],
        "hashtags" => [
          { "name" => "every day", "tags" => %w[quillmere ferry ontheriver] },
          { "name" => "winter", "tags" => %w[wintertimetable nightboat lampsalongtherail] }
        ]
      },
      brackwater: {
        "colours" => [
          { "name" => "night", "hex" => "#1B1F3A" },
          { "name" => "moon", "hex" => "#E9E4D0" },
          { "name" => "red torch", "hex" => "#A3242E" }
        ],
        "voice" => "Somebody on the hill who waits with you. Says what one will see and what not.",
        "do" => "Give the hour and where to look.",
        "dont" => "No space travel. No superlatives.",
        "hashtags" => [{ "name" => "nights", "tags" => %w[brackwater darksky] }]
      }
    }.freeze

    def initialize(world, clock)
      @world = world
      @environment = world.environment
      @clock = clock
      @now = clock.now
    end

    def furnish
      BRANDS.each do |client, parts|
        parts.each do |part, value|
          act("Clients::UpdateBrandPart", :ines, client, part: part, value: value, version: 0)
        end
      end
      quillmere
      oddling
      harrowfen
      people
      by_hand
    end

    private

    attr_reader :world

    def act(name, who, client, **input)
      AskFirst::App.const_get(name).call(@environment, world.member(who, client), **input)
    end

    def person(who)
      AskFirst::App::AgencyPerson.load(@environment, world.people.fetch(who), from: "127.0.0.1")
    end

    def quillmere
      channels = world.channels[:quillmere]
      channels[:guildhall] = world.connect(:quillmere, "guildhall", "Quillmere Ferries", by: :ines)
      channels[:noticeboard] = world.connect(:quillmere, "noticeboard", "Quillmere Ferries", by: :ines)
      channels[:leaflet] = act(
        "Channels::AddOffline",
        :ines,
        :quillmere,
        name: "Pier leaflet",
        initials: "Pl",
        limit: 900,
        pictures: 1
      )
      act(
        "Channels::SaveSet",
        :ines,
        :quillmere,
        name: "all in town",
        channel_ids: channels.values_at(:ticker, :noticeboard, :leaflet)
      )
      act(
        "Channels::SaveSet",
        :ines,
        :quillmere,
        name: "hiring",
        channel_ids: channels.values_at(:guildhall, :noticeboard)
      )
      settings = {
        time_policy: "local_date",
        holidays: "pt",
        working_hours: (1..5).to_h { |day| [day.to_s, [%w[09:00 18:00]]] }.merge("6" => [%w[09:00 13:00]])
      }
      act("Clients::UpdateSettings", :ines, :quillmere, version: 1, **settings)
    end

    # Copied from Quillmere, as one does.
    def oddling
      client(
        :oddling,
        "Oddling Bakehouse",
        "OB",
        "#8A5A2B",
        "Europe/Berlin",
        copy_from: world.workspaces[:quillmere],
        copy: %w[route people]
      )
      world.channels[:oddling] = {
        vitrine: world.connect(:oddling, "vitrine", "Oddling Bakehouse", by: :ines),
        commons: world.connect(:oddling, "commons", "Oddling Bakehouse", by: :ines)
      }
      act("Clients::UpdateSettings", :ines, :oddling, version: 1, holidays: "de_be")
      act("Clients::GoOnSettingUp", :ines, :oddling, step: nil)
    end

    # Newly set up: one channel connected, one lapsed, one not yet; left before its people are invited.
    def harrowfen
      client(
        :harrowfen,
        "Harrowfen Cycleworks",
        "HC",
        "#2E6B4F",
        "Australia/Melbourne",
        copy_from: world.workspaces[:quillmere],
        copy: %w[people]
      )
      world.connect(:harrowfen, "ticker", "Harrowfen Cycleworks", by: :ines)
      lapsed = world.connect(:harrowfen, "vitrine", "Harrowfen Cycleworks", by: :ines)
      AskFirst::App::Channels::Lapse.call(
        @environment,
        AskFirst::App::Member.process(world.workspaces[:harrowfen], "dispatcher"),
        channel_id: lapsed
      )
      world.visitor.add_person("spool", "fernhollow", { harrowfen: "Harrowfen Cycleworks" })
      act(
        "Channels::PlanChannel",
        :ines,
        :harrowfen,
        network_address: "#{world.stand_ins}/networks/spool",
        account: world.visitor.account("spool", "harrowfen"),
        name: "Spool"
      )
      steps =
        [["Copy is right", :wren], ["The lead's yes", :tobiah]].map do |name, who|
          step(name, "internal", [world.people[who]])
        end + [step("The client's yes", "client", [])]
      about = { name: "Our route", preset: "copy_lead_client" }
      act("Signoff::SaveRoute", :ines, :harrowfen, steps: steps, about: about, **route(:harrowfen))
      act("Clients::UpdateSettings", :ines, :harrowfen, version: 1, holidays: "au_vic")
      act("Clients::GoOnSettingUp", :ines, :harrowfen, step: "people")
    end

    def step(name, side, people)
      {
        "name" => name,
        "side" => side,
        "quorum" => "any",
        "hours" => 8,
        "required" => true,
        "four_eyes" => true,
        "people" => people
      }
    end

    def route(client)
      found = world.db[:routes].where(workspace_id: world.workspaces[client], is_default: true).first
      { route_id: found[:id], seen: found[:version] }
    end

    def client(key, name, initials, edge, zone, **copy)
      world.workspaces[key] = AskFirst::App::Clients::CreateClient.call(
        @environment,
        person(:ines),
        name: name,
        initials: initials,
        edge: edge,
        zone: zone,
        **copy
      )
    end

    # A freelancer with an end, a client's observer, an invitation that waits, an absence with its stand-in, a role of
    # our own.
    def people
      roles = world.db[:roles].to_hash(:name, :id)
      invite(
        "kit@oyelaran.example",
        "Kit Oyelaran",
        roles["video editor"],
        until_date: "#{@now.year}-12-31",
        channel_ids: [world.channels[:quillmere][:vitrine]]
      )
      invite("lise@quillmere.example", "Lise Bakkum", roles["client observer"], title: "board")
      act("People::Invite", :ines, :quillmere, addresses: "freya@fernhollow.example", role_id: roles["assistant"])
      day = AskFirst::Core::Plan::WallTime.at(@now, "Europe/Lisbon").wall
      AskFirst::App::People::PlanAbsence.call(
        @environment,
        person(:wren),
        from: (day + (5 * 86_400)).strftime("%F"),
        until_date: (day + (9 * 86_400)).strftime("%F"),
        stand_ins:
          world
            .workspaces
            .values_at(:quillmere, :brackwater)
            .map { |id| { "workspace_id" => id, "person_id" => world.people[:tobiah] } }
      )
      AskFirst::App::Permissions::CreateRole.call(
        @environment,
        person(:bram),
        name: "night desk",
        side: "agency",
        abilities: %w[see write_timing release hold work]
      )
    end

    # Invited and accepted, over the link that their mail holds.
    def invite(email, name, role_id, **more)
      act("People::Invite", :ines, :quillmere, addresses: email, role_id: role_id, **more)
      id = world.db[:invitations].where(email: email).get(:id)
      AskFirst::App::People::MailInvitation.call(
        @environment,
        AskFirst::App::Member.process(world.workspaces[:quillmere], "dispatcher"),
        invitation_id: id
      )
      mail = JSON.parse(Net::HTTP.get(URI("#{world.stand_ins}/mail/#{email}.json"))).first
      token = mail["text"][%r{/invitation#/(\S+)}, 1]
      AskFirst::App::People::AcceptInvitation.call(
        @environment,
        token,
        name: name,
        password: "Rain on the #{name.split.last} reel",
        zone: "Europe/Lisbon",
        cost: world.hash_cost
      )
    end

    # One post whose time has come on a channel that no network takes.
    def by_hand
      post = @clock.at(@now - (3 * 86_400)) { leaflet }
      @clock.at(@now - 120) do
        process = AskFirst::App::Member.process(world.workspaces[:quillmere], "dispatcher")
        world.db[:showings]
          .where(post_id: post)
          .select_map(:id)
          .each { |id| AskFirst::App::Dispatch::Advance.call(@environment, process, showing_id: id) }
      end
    end

    def leaflet
      post = act("Posts::CreatePost", :ines, :quillmere, subject: "Leaflet for the piers, October")
      act(
        "Posts::ChooseChannels",
        :ines,
        :quillmere,
        post_id: post,
        channel_ids: [world.channels[:quillmere][:leaflet]]
      )
      act(
        "Posts::UpdatePart",
        :maro,
        :quillmere,
        post_id: post,
        channel_id: nil,
        part: "text",
        version: 0,
        value:
          "The 7:20 in fog: look at the lamp before you leave the house. Green, we sail. Amber, ask us. Red, take " \
            "the bridge bus with your ferry ticket."
      )
      wall = AskFirst::Core::Plan::WallTime.at(@now - 150, "Europe/Lisbon")
      act(
        "Posts::UpdatePart",
        :ines,
        :quillmere,
        post_id: post,
        channel_id: nil,
        part: "time",
        value: wall.to_h,
        version: 0
      )
      Story.new(world, @clock).clear_and_release(:quillmere, post, :odile)
      post
    end
  end
end
