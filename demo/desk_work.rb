# frozen_string_literal: true

module Demo
  # What writing is furnished with: tracking tags, the book of mentions, the lead's reminders, labels, and a post that
  # uses most of what a post can have. Through the same acts as the interface.
  class DeskWork
    def initialize(world, clock)
      @world = world
      @clock = clock
      @story = Story.new(world, clock)
    end

    def do
      world.channels[:quillmere][:commons] ||= world.connect(:quillmere, "commons", "Quillmere Ferries", by: :ines)
      rules
      book
      labels
      @clock.at(@clock.now - 5_400) { museum_night }
    end

    private

    attr_reader :world

    def act(name, who, **input)
      AskFirst::App.const_get(name).call(world.environment, world.member(who, :quillmere), **input)
    end

    def rules
      version = world.db[:workspaces].where(id: world.workspaces[:quillmere]).get(:version)
      act(
        "Clients::UpdateSettings",
        :ines,
        version: version,
        tracking: {
          "source" => "{network}",
          "medium" => "social",
          "campaign" => "{campaign}"
        }
      )
      act("Checks::UpdateReminders", :ines, words: ["Did you look at the tide table?", "Is the pier named?"])
    end

    def book
      act(
        "Posts::SaveMention",
        :maro,
        name: "Harbour Museum",
        spellings: {
          "Ticker" => "@harbourmuseum",
          "Vitrine" => "@harbour.museum",
          "Commons" => "Harbour Museum"
        }
      )
      act("Posts::SaveMention", :maro, name: "Pier Choir", spellings: { "Vitrine" => "@pier.choir" })
    end

    def labels
      {
        "Fog days: how to know before you leave" => ["Service"],
        "Winter timetable, what changes at night" => ["Service", "times, prices"],
        "Night boats, first run" => ["times, prices"]
      }.each do |subject, names|
        post = world.db[:posts].where(workspace_id: world.workspaces[:quillmere], subject: subject).get(:id)
        act("Posts::SetLabels", :ines, post_id: post, names: names) if post
      end
    end

    # Whole and not yet asked for: a link with its card, a mention, an own text, a first comment, a call, a boost.
    def museum_night
      channels = world.channels[:quillmere]
      post = act("Posts::CreatePost", :ines, subject: "Museum night, the late boat waits")
      act("Posts::ChooseChannels", :ines, post_id: post, channel_ids: channels.values_at(:ticker, :vitrine, :commons))
      files =
        %i[boat pier].map.with_index do |scene, seed|
          act(
            "Media::UploadMedia",
            :sunniva,
            io: Pictures.draw(scene, 40 + seed, **(seed.zero? ? { width: 1200, height: 1500 } : {})),
            name: "museum-#{scene}.jpg"
          )[
            :id
          ]
        end
      parts(files).each { |part, who, channel, value| save(post, part, who, channel && channels.fetch(channel), value) }
      act("Posts::SetLabels", :ines, post_id: post, names: ["Town", "times, prices"])
      act("Posts::SetCampaign", :ines, post_id: post, name: "Winter timetable")
      act(
        "Posts::UpdateNote",
        :ines,
        post_id: post,
        note: "The museum pays half of the boost; ask Per before the price goes in.",
        version: 1
      )
      reminder = world.db[:reminders].where(workspace_id: world.workspaces[:quillmere]).order(:position).get(:id)
      act("Checks::TickReminder", :maro, post_id: post, reminder_id: reminder, ticked: true)
    end

    def parts(files)
      text =
        "Saturday is museum night. @[Harbour Museum] stays open until one, and the late boat waits until the last of " \
          "you has found their coat.\n\n" \
          "Same pier, same fare. The choir sings on the way back. #quillmere #museumnight"
      [
        ["text", :maro, nil, text],
        ["media", :sunniva, nil, files],
        ["link", :maro, nil, link],
        ["descriptions", :sunniva, nil, { files.first => "A lit boat at a pier under a dark sky" }],
        [
          "text",
          :maro,
          :ticker,
          "Museum night on Saturday: @[Harbour Museum] is open until one, the late boat waits until the last coat is " \
            "found."
        ],
        ["first_comment", :maro, :vitrine, "Boats back at 23:10, 0:10 and when the last of you is there."],
        ["tagged", :maro, :vitrine, [{ "name" => "Harbour Museum", "media" => files.first, "x" => 620, "y" => 410 }]],
        ["media", :sunniva, :commons, []],
        ["call_to_action", :maro, :commons, "Learn more"],
        ["budget", :ines, :commons, { "minor" => 4_000, "currency" => "EUR" }],
        ["audience", :ines, :commons, { "places" => ["Lisbon + 30 km"], "languages" => %w[pt en] }],
        ["time", :ines, nil, wall(18, 30)],
        ["time", :ines, :ticker, wall(12, 10)]
      ]
    end

    def link
      {
        "address" => "https://quillmere.example/winter",
        "card" => {
          "title" => "Winter timetable",
          "words" => "From the first of November the last boat goes at 21:40.",
          "picture" => nil
        }
      }
    end

    def save(post, part, who, channel_id, value)
      act("Posts::UpdatePart", who, post_id: post, channel_id: channel_id, part: part, value: value, version: 0)
    end

    # On the third day from now, in the client's zone.
    def wall(hour, minute)
      day = AskFirst::Core::Plan::WallTime.at(@clock.now + (3 * 86_400), World::CLIENTS.fetch(:quillmere)[:zone]).wall
      AskFirst::Core::Plan::WallTime.new(
        Time.utc(day.year, day.month, day.day, hour, minute),
        World::CLIENTS.fetch(:quillmere)[:zone]
      ).to_h
    end
  end
end
