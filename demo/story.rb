# frozen_string_literal: true

require_relative "clock"
require_relative "pictures"
require_relative "queue"
require_relative "world"

module Demo
  # The story that the demo tells, day by day, through the same acts as the interface.
  class Story
    WAITS = [0.25, 0.5].freeze

    def initialize(world, clock)
      @world = world
      @environment = world.environment
      @clock = clock
      @now = clock.now
      @seed = 0
    end

    def tell
      low_tide
      breakfast
      half_term
      fog_days
      season_pass
      poster
      winter_timetable
      night_boats
      hiring
      ring_around_the_moon
      orionids
      dome_closed
      leonids
      red_light
      finish
    end

    # For what is told elsewhere: all its yeses, then released.
    # @param waits [Array(Numeric, Numeric)] hours until the colleague and until the client answers
    def clear_and_release(client, post, approver, waits: WAITS)
      clear(client, post, approver, waits: waits) { release(client, post) }
    end

    private

    attr_reader :world

    # --- the days, in the client's own zone ---

    def wall(client, days, hour, minute = 0)
      zone = world.db[:workspaces].where(id: world.workspaces.fetch(client)).get(:zone)
      date = AskFirst::Core::Plan::WallTime.at(@now, zone).wall + (days * 86_400)
      AskFirst::Core::Plan::WallTime.new(Time.utc(date.year, date.month, date.day, hour, minute), zone)
    end

    def on(days, hour, minute = 0, &block)
      time = wall(:quillmere, days, hour, minute).at
      @clock.at([time, @now - 60].min, &block)
    end

    # --- the acts, short ---

    def act(klass, person, client, **input)
      klass.call(@environment, world.member(person, client), **input)
    end

    def write(client, post, part, value, person: :maro, channel: nil)
      channel_id = channel && world.channels.fetch(client).fetch(channel)
      row =
        world.db[:parts].where(
          workspace_id: world.workspaces.fetch(client),
          post_id: post,
          channel_id: channel_id,
          part: part
        ).first
      act(
        AskFirst::App::Posts::UpdatePart,
        person,
        client,
        post_id: post,
        channel_id: channel_id,
        part: part,
        value: value,
        version: row ? row[:version] : 0
      )
    end

    def draft(client, subject, text, channels:, time:, scene: nil, description: "")
      post = act(AskFirst::App::Posts::CreatePost, :ines, client, subject: subject)
      if channels.any?
        act(
          AskFirst::App::Posts::ChooseChannels,
          :ines,
          client,
          post_id: post,
          channel_ids: channels.map { |one| world.channels.fetch(client).fetch(one) }
        )
      end
      write(client, post, "text", text)
      write(client, post, "time", time.to_h, person: :ines) if time
      illustrate(client, post, scene, description) if scene
      post
    end

    def illustrate(client, post, scene, description)
      picture =
        act(
          AskFirst::App::Media::UploadMedia,
          :sunniva,
          client,
          io: Pictures.draw(scene, @seed += 1),
          name: "#{scene}-#{@seed}.jpg"
        )
      write(client, post, "media", [picture[:id]], person: :sunniva)
      write(client, post, "descriptions", { picture[:id] => description }, person: :sunniva)
    end

    def ask(client, post, step, hours: 24, message: "", person: :ines)
      step_id = world.db[:route_steps].where(workspace_id: world.workspaces.fetch(client), position: step).get(:id)
      act(
        AskFirst::App::Signoff::SendAsk,
        person,
        client,
        step_id: step_id,
        post_ids: Array(post),
        due_at: hours && (@environment.now + (hours * 3600)), # else as the route gives
        message: message
      )
    end

    def answer(client, post, person, verdict = "yes", words = "")
      line =
        world.db[:ask_lines].where(workspace_id: world.workspaces.fetch(client), post_id: post, ended_at: nil).first
      shown =
        world.db[:ask_line_adaptations]
          .where(line_id: line[:id])
          .join(:revision_adaptations, id: :revision_adaptation_id)
          .select_hash(Sequel[:ask_line_adaptations][:adaptation_id], :fingerprint)
      act(
        AskFirst::App::Signoff::AnswerAsk,
        person,
        client,
        line_id: line[:id],
        verdict: verdict,
        words: words,
        shown: shown
      )
    end

    def clear(client, post, approver, waits: WAITS)
      ask(client, post, 0, hours: nil)
      after(waits.first) do
        answer(client, post, :wren)
        ask(client, post, 1, hours: nil)
        after(waits.last) do
          answer(client, post, approver)
          yield if block_given?
        end
      end
    end

    def after(hours, &block)
      @clock.at([@environment.now + (hours * 3_600), @now - 60].min, &block)
    end

    def release(client, post)
      act(AskFirst::App::Dispatch::Release, :ines, client, post_id: post)
    end

    # What the dispatcher does at the time of a post.
    def go_out(client, post, time)
      process = AskFirst::App::Member.process(world.workspaces.fetch(client), "dispatcher")
      showings = world.db[:showings].where(post_id: post).select_map(:id)
      @clock.at(time + 0.6) do
        showings.each { |id| AskFirst::App::Dispatch::Advance.call(@environment, process, showing_id: id) }
      end
      @clock.at(time + 65) do
        showings.each { |id| AskFirst::App::Dispatch::Verify.call(@environment, process, showing_id: id) }
      end
    end

    # --- Quillmere Ferries ---

    def low_tide
      time = wall(:quillmere, -1, 8)
      post =
        on(-4, 10) do
          draft(
            :quillmere,
            "Low tide times, this week",
            "Low water at the far pier: Tuesday 13:12, Wednesday 13:58, Thursday 14:41. The ramp is steep for half " \
              "an hour around it. Bring a hand for the pram.",
            channels: %i[ticker vitrine],
            time: time,
            scene: :pier,
            description: "The far pier at low water, its wooden legs showing"
          )
        end
      on(-3, 11) { clear(:quillmere, post, :per) }
      on(-3, 15) { release(:quillmere, post) }
      go_out(:quillmere, post, time.at)
    end

    def breakfast
      time = wall(:quillmere, -1, 9, 30)
      post =
        on(-4, 12) do
          draft(
            :quillmere,
            "Deckhand’s breakfast",
            "Five in the morning, first boat: bread, sheep’s cheese, coffee from the engine room. The galley opens " \
              "to you at six.",
            channels: %i[vitrine],
            time: time,
            scene: :boat,
            description: "The ferry at dawn, a lamp lit in the galley"
          )
        end
      on(-3, 12) { clear(:quillmere, post, :odile) }
      on(-3, 15, 30) { release(:quillmere, post) }
      world.control("vitrine/faults", { handle: "quillmere", kind: "drop_picture" })
      go_out(:quillmere, post, time.at)
    end

    def half_term
      post =
        on(-3, 9) do
          draft(
            :quillmere,
            "Half-term crossings",
            "Half-term: children under twelve cross free with a grown-up, all week, on every boat before 18:00.",
            channels: %i[ticker],
            time: wall(:quillmere, 0, 23, 30),
            scene: :boat,
            description: "The ferry halfway across, two children at the rail as small figures"
          )
        end
      on(-2, 10) { clear(:quillmere, post, :odile) }
      on(-1, 16) { release(:quillmere, post) }
    end

    def fog_days
      post =
        on(-4, 14) do
          draft(
            :quillmere,
            "Fog days: how to know before you leave",
            "When fog sits on the estuary, the 7:20 does not guess. It waits until the far pier is in sight, and so " \
              "does your coffee.\n\nLook at the harbour lamp page before you leave the house: green means we sail, " \
              "amber means ask, red means take the bridge bus with your ferry ticket.",
            channels: %i[ticker vitrine],
            time: wall(:quillmere, 1, 7, 30),
            scene: :boat,
            description: "A small ferry on grey water under a low moon"
          )
        end
      on(-4, 15) do
        write(
          :quillmere,
          post,
          "text",
          "Fog on the estuary? The 7:20 waits until the far pier is in sight. Check the harbour lamp before you " \
            "leave: green we sail, amber ask, red take the bridge bus with your ticket.",
          channel: :ticker
        )
        write(:quillmere, post, "link", "https://quillmere.example/lamp", person: :maro, channel: :ticker)
      end
      cafe = cafe_draft
      on(-3, 9) { [post, cafe].each { |one| ask(:quillmere, one, 0) } }
      on(-3, 9, 40) { [post, cafe].each { |one| answer(:quillmere, one, :wren) } }
      on(-2, 9, 40) do
        ask(
          :quillmere,
          [post, cafe],
          1,
          hours: 30,
          message: "Two for this week. The fog one should go out tomorrow morning."
        )
      end
      on(-2, 10) do
        act(
          AskFirst::App::Talk::Say,
          :maro,
          :quillmere,
          post_id: post,
          room: "house",
          words: "Same on Sundays, I have it from the deck log."
        )
      end
    end

    def cafe_draft
      on(-4, 16) do
        draft(
          :quillmere,
          "Pier café, the autumn menu",
          "Chestnut soup, quince toast, and the window seat you had in June. The pier café keeps its lamps on until " \
            "the last boat.",
          channels: %i[vitrine],
          time: wall(:quillmere, 2, 12),
          scene: :pier,
          description: "The pier in warm evening light"
        )
      end
    end

    def season_pass
      post =
        on(-3, 13) do
          draft(
            :quillmere,
            "Season pass, last week",
            "The autumn price of the season pass ends on Sunday night. Twelve crossings pay for it; most of you make " \
              "twenty.",
            channels: %i[ticker vitrine],
            time: wall(:quillmere, 2, 17),
            scene: :boat,
            description: "The ferry leaving the pier, season pass colours on its funnel"
          )
        end
      on(-2, 12) { clear(:quillmere, post, :odile) }
    end

    def poster
      post =
        on(-2, 14) do
          draft(
            :quillmere,
            "Timetable poster, second look",
            "The winter timetable is up at both piers. First boat 6:40, last boat 23:10, every twenty minutes between.",
            channels: %i[vitrine],
            time: wall(:quillmere, 3, 9),
            scene: :pier,
            description: "The poster board on the pier"
          )
        end
      on(-2, 15) do
        ask(:quillmere, post, 0)
        answer(:quillmere, post, :wren)
        ask(:quillmere, post, 1)
      end
      on(-1, 9, 30) do
        answer(
          :quillmere,
          post,
          :per,
          "change",
          "The 6:40 sails at 6:50 from Monday. Please mend before it is printed again."
        )
      end
    end

    def winter_timetable
      post =
        on(-1, 14) do
          draft(
            :quillmere,
            "Winter timetable, what changes at night",
            "From the first of the month the night boat leaves on the hour, not at ten past. Same pier, same fare, " \
              "warmer cabin.",
            channels: %i[ticker],
            time: wall(:quillmere, 1, 18)
          )
        end
      on(0, 7, 20) { ask(:quillmere, post, 0, hours: 8, person: :tobiah) }
    end

    def night_boats
      post =
        on(-1, 15) do
          draft(
            :quillmere,
            "Night boats, first run",
            "The first night boat of the winter runs on Saturday at 20:00. Lamps along the rail, soup on deck two.",
            channels: %i[ticker vitrine],
            time: wall(:quillmere, 3, 20)
          )
        end
      @clock.at(@now - 3600) do
        act(
          AskFirst::App::Traffic::AssignTask,
          :ines,
          :quillmere,
          post_id: post,
          kind: "picture",
          title: "Picture for the night boats",
          person_id: world.people[:sunniva],
          due: wall(:quillmere, 1, 16).to_h,
          note: "The lamps along the rail are the point. Dark, but the boat must be seen on a phone."
        )
      end
    end

    def hiring
      on(-1, 17) do
        draft(
          :quillmere,
          "Hiring: deckhand",
          "We are looking for a deckhand who likes early mornings more than they admit.",
          channels: [],
          time: nil
        )
      end
    end

    # --- Brackwater Observatory ---

    def ring_around_the_moon
      time = wall(:brackwater, -1, 18)
      post =
        on(-4, 17) do
          draft(
            :brackwater,
            "Ring around the moon",
            "A ring around the moon is ice, six kilometres up, bending light by twenty-two degrees. Tonight the air " \
              "is right for it. Look after nine.",
            channels: %i[ticker vitrine],
            time: time,
            scene: :stars,
            description: "A pale ring around a bright moon over a dark hill"
          )
        end
      on(-3, 17) { clear(:brackwater, post, :halima) }
      on(-3, 18) { release(:brackwater, post) }
      return unless time.at < @now

      go_out(:brackwater, post, time.at)
    end

    def orionids
      post =
        on(-3, 10) do
          draft(
            :brackwater,
            "Orionids, where to stand",
            "Stand with your back to the town and your eyes a hand above the ridge. Twenty an hour if you are " \
              "patient, none if you look at your phone.",
            channels: %i[ticker vitrine],
            time: wall(:brackwater, 3, 19),
            scene: :stars,
            description: "Streaks of light over the ridge"
          )
        end
      on(-2, 18) { clear(:brackwater, post, :halima) }
      @clock.at(@now - 5400) do
        ids =
          world.db[:adaptations].where(post_id: post, channel_id: world.channels[:brackwater][:ticker]).select_map(:id)
        act(AskFirst::App::Posts::OpenPost, :ines, :brackwater, post_id: post, adaptation_ids: ids)
        write(
          :brackwater,
          post,
          "text",
          "Stand with your back to the town, eyes a hand above the ridge. Twenty an hour if you are patient. The " \
            "gate opens at 20:00.",
          channel: :ticker,
          person: :ines
        )
      end
    end

    def dome_closed
      post =
        on(-2, 16) do
          draft(
            :brackwater,
            "Dome closed for oiling until Friday",
            "The dome squeaks, so until Friday it gets its yearly oil. The terrace and the small telescopes stay " \
              "open every clear night.",
            channels: %i[ticker],
            time: wall(:brackwater, 1, 10),
            scene: :dome,
            description: "The dome, its shutter closed"
          )
        end
      on(-1, 15) { clear(:brackwater, post, :halima) }
      on(-1, 18) { release(:brackwater, post) }
    end

    def leonids
      post =
        on(-2, 19) do
          draft(
            :brackwater,
            "Leonids: the night the clock goes back",
            "One night, one extra hour of dark. Gates at 23:00; at 1:30 the clocks go back and we look twice.",
            channels: %i[ticker vitrine],
            time: wall(:brackwater, 18, 1, 30),
            scene: :dome,
            description: "The dome under a full sky"
          )
        end
      on(-1, 10) do
        ask(:brackwater, post, 0)
        answer(:brackwater, post, :wren)
      end
      on(-1, 18) { ask(:brackwater, post, 1, hours: 48, message: "This one has time.") }
    end

    def red_light
      post =
        on(-2, 20) do
          draft(
            :brackwater,
            "Red light, please",
            "White light costs everyone on the hill ten minutes of seeing. Red torches hang at the gate; take one, " \
              "bring it back.",
            channels: %i[vitrine],
            time: wall(:brackwater, 2, 18),
            scene: :dome,
            description: "A red torch on the gate, the dome behind"
          )
        end
      on(-1, 11) { clear(:brackwater, post, :halima) }
      on(-1, 12) { release(:brackwater, post) }
      on(-1, 19) do
        act(
          AskFirst::App::Signoff::Hold,
          :tobiah,
          :brackwater,
          reason: "Halima checks whether the torches have arrived.",
          channel_id: world.channels[:brackwater][:vitrine]
        )
      end
    end

    # What is still to come goes to the real queue; who is asked now gets their mail now.
    def finish
      open =
        world.db[:asks].where(
          withdrawn_at: nil,
          id: world.db[:ask_lines].where(ended_at: nil).select(:ask_id)
        ).select_map(:id)
      @environment
        .queue
        .mails
        .select { |_, ask, _| open.include?(ask) }
        .each do |workspace, ask, person|
          AskFirst::App::Signoff::MailAsk.call(
            @environment,
            AskFirst::App::Member.process(workspace, "dispatcher"),
            ask_id: ask,
            person_id: person
          )
        end
    end
  end
end
