# frozen_string_literal: true

require_relative "story"

module Demo
  # What fills the plan around the story: weeks that went before, weeks that come, and the pencil marks in them.
  # Everything is text on one channel or two; the story has the pictures.
  class FullMonth < Story
    # days from today, hour and minute, subject, text
    BEHIND = {
      quillmere: [
        [-27, 8, 0, "Low tide times, week 38", "Low water at the far pier: Thursday 11:02, Friday 11:40."],
        [-25, 12, 0, "Pier café, last plums", "Plum tart until Sunday, then the apples begin."],
        [-22, 17, 0, "Sunset crossing", "The 17:10 meets the sun at the second buoy. Sit on the left."],
        [-20, 8, 0, "Low tide times, week 39", "Low water at the far pier: Thursday 16:21, Friday 17:03."],
        [-18, 9, 30, "Crew of the week: the engine room", "Hanne hears a bearing before the gauge does."],
        [-15, 12, 10, "Bicycles go free", "Bicycles cross free on the first boat, all of October."],
        [-13, 8, 0, "Low tide times, week 40", "Low water at the far pier: Thursday 10:12, Friday 10:51."],
        [-11, 18, 0, "Lamps along the rail", "The new lamps are warm, so that you see the river and not yourselves."],
        [-9, 17, 0, "Rain on the ramp", "The ramp is wet; the handrail on the right is the dry one."],
        [-6, 8, 0, "Low tide times, week 41", "Low water at the far pier: Thursday 15:30, Friday 16:08."],
        [-5, 12, 0, "Pier menu", "Soup, bread, and the window seat until it is taken."]
      ],
      brackwater: [
        [-21, 19, 0, "First cold night", "Bring a coat that you can sit in. The air is still and the sky is wide."],
        [-14, 19, 0, "The moon is out of the way", "Three dark nights in a row. The gate is open until one."],
        [-7, 18, 30, "A planet at dusk", "Low in the west, for the length of a cup of tea."]
      ]
    }.freeze
    AHEAD = {
      quillmere: [
        [5, 8, 0, "Low tide times, week 43", "Low water at the far pier: Thursday 9:31, Friday 10:08.", :released],
        [6, 9, 30, "Who oils the ramp", "Twice a week before the first boat, with a brush and a lamp.", :drafting],
        [9, 8, 0, "Half-term: which boat", "Prams on the lower deck, bicycles behind the funnel.", :read],
        [12, 8, 0, "Low tide times, week 44", "Low water at the far pier: Thursday 14:44, Friday 15:20.", :released],
        [
          14,
          17,
          0,
          "The hour that comes twice",
          "Clocks go back; the boats go by the new time from Sunday.",
          :drafting
        ],
        [16, 12, 0, "Lamp walk", "From pier to pier, with the lamps lit one by one.", :drafting]
      ],
      brackwater: [
        [6, 19, 0, "Where the ridge ends", "Follow the fence, then the white stones.", :drafting],
        [9, 19, 0, "Before the clocks change", "One more Saturday by the old time. The sky does not mind.", :released],
        [13, 18, 0, "A telescope for the school", "Twelve hands, one eyepiece.", :read]
      ],
      oddling: [
        [2, 7, 0, "Chestnut loaf, first bake", "From Friday, until the chestnuts are gone.", :drafting],
        [6, 7, 0, "What the night shift hears", "The crust sings when it cools.", :drafting],
        [13, 7, 0, "All Saints: when we open", "Closed on Sunday; the rye keeps until Monday.", :drafting]
      ]
    }.freeze
    Planned = Struct.new(:client, :days, :hour, :minute, :subject, :text, :stage)
    ON = { quillmere: %i[ticker], brackwater: %i[ticker], oddling: %i[commons] }.freeze
    APPROVERS = { quillmere: :per, brackwater: :halima }.freeze
    # channel => days of the week (1 is Monday) and the word
    MARKS = {
      ticker: {
        1 => "low tide times",
        4 => "low tide times"
      },
      vitrine: {
        3 => "a voice",
        6 => "weekend tip"
      },
      commons: {
        2 => "a number"
      }
    }.freeze
    WEEKS = 3
    # days from today, kind, name, how many days it lasts, every year
    DATES = {
      quillmere: [
        [8, "work", "Boat fair, stand 14", 3, false],
        [11, "date", "Winter timetable begins", 1, false],
        [27, "date", "First boat, 1931", 1, true],
        [19, "work", "Print run: winter leaflet", 2, false],
        [-13, "date", "Crew day", 1, true]
      ],
      brackwater: [[7, "date", "Meteor shower, best nights", 2, true], [22, "work", "Mirror is cleaned", 2, false]],
      oddling: [[9, "date", "Chestnut Sunday", 1, true], [16, "work", "Oven of the north shop is rebuilt", 4, false]],
      harrowfen: [[20, "date", "Spring ride", 1, true]]
    }.freeze
    FIXTURES = {
      quillmere: [
        ["Market day boat", "FREQ=WEEKLY;INTERVAL=2;BYDAY=TH", "10:30", %i[ticker]],
        ["What next month costs", "FREQ=MONTHLY;BYDAY=MO,TU,WE,TH,FR;BYSETPOS=-1", nil, %i[vitrine]]
      ],
      oddling: [["Flour delivery", "FREQ=MONTHLY;BYMONTHDAY=2", "07:00", %i[commons]]]
    }.freeze
    NOTES = {
      quillmere:
        "The winter timetable comes first: every Monday says which boats change. No jokes about fog this year. " \
          "The fair takes Sunniva from Thursday to Saturday.",
      brackwater: "Clear nights only: ask Halima on Tuesdays what the sky will do."
    }.freeze

    def tell
      each_of(BEHIND) { |planned| behind(planned) }
      each_of(AHEAD) { |planned| ahead(planned) }
      marks
      fixtures
      dates
      notes
    end

    private

    def fixtures
      FIXTURES.each do |client, all|
        all.each do |word, rule, clock, networks|
          first = @now.to_date.iso8601
          known = { word: word, rule: rule, first: first, clock: clock }
          on = world.channels.fetch(client).values_at(*networks)
          @clock.at(@now - 3_600) do
            act(AskFirst::App::Plan::SaveFixture, :ines, client, fixture: known, channel_ids: on)
          end
        end
      end
    end

    def dates
      DATES.each do |client, dates|
        dates.each do |days, kind, name, long, yearly|
          first = @now.to_date + days
          facts = { kind: kind, name: name, first: first.iso8601, last: (first + long - 1).iso8601, yearly: yearly }
          @clock.at(@now - 3_600) { act(AskFirst::App::Plan::SaveKeyDate, :ines, client, **facts) }
        end
      end
    end

    def notes
      month = @now.strftime("%Y-%m")
      NOTES.each do |client, note|
        @clock.at(@now - 3_600) do
          act(AskFirst::App::Plan::NoteMonth, :ines, client, month: month, note: note, version: 0)
        end
      end
    end

    def each_of(table)
      table.each { |client, posts| posts.each { |post| yield Planned.new(client, *post) } }
    end

    def time_of(planned) = wall(planned.client, planned.days, planned.hour, planned.minute)

    def behind(planned)
      post = written(planned, planned.days - 3)
      on(planned.days - 2, 10) { cleared_and_released(planned, post, waits(planned)) }
      go_out(planned.client, post, time_of(planned).at)
    end

    def ahead(planned)
      post = written(planned, -2)
      on(-1, 12) { cleared_and_released(planned, post, [1, 4]) } if planned.stage == :released
      on(-1, 15) { read(planned, post) } if planned.stage == :read
    end

    # A colleague has said yes; the client was not asked yet.
    def read(planned, post)
      ask(planned.client, post, 0, hours: nil)
      after(1.5) { answer(planned.client, post, :wren) }
    end

    def cleared_and_released(planned, post, waits)
      clear_and_release(planned.client, post, APPROVERS.fetch(planned.client), waits: waits)
    end

    # Colleagues answer within hours, the client some of it the next morning; now and then late.
    def waits(planned)
      luck = Random.new(planned.days.abs * planned.subject.length)
      [luck.rand(1..5) * 0.75, luck.rand < 0.5 ? luck.rand(1..4) : luck.rand(20..27)]
    end

    def written(planned, days)
      on(days, 11) do
        draft(planned.client, planned.subject, planned.text, channels: ON.fetch(planned.client), time: time_of(planned))
      end
    end

    def marks
      monday = @now.to_date - ((@now.to_date.wday - 1) % 7) + 7
      channels = world.channels.fetch(:quillmere)
      cells =
        MARKS.flat_map do |network, days|
          days.flat_map do |day, word|
            Array.new(WEEKS) do |week|
              {
                "day" => (monday + (7 * week) + day - 1).iso8601,
                "channel_id" => channels.fetch(network),
                "word" => word
              }
            end
          end
        end
      @clock.at(@now - 3_600) { act(AskFirst::App::Plan::UpdateMarks, :ines, :quillmere, put: cells) }
    end
  end
end
