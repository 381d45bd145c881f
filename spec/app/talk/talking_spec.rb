# frozen_string_literal: true

# Talk beside a post: threads, pins, suggested edits, mentions, files; and who reads which room.
RSpec.describe "Talk beside a post" do
  let(:post) { world.draft }

  def on(network) = world.adaptation(post, network)
  def say(words, who: :ines, room: "house", **more) =
    world.act("Talk::Say", who, post_id: post, room: room, words: words, **more)
  def talk(who = :ines) = world.act("Posts::PostSheet", who, post_id: post, blocks: ["talk"])
  def remark(id, who = :ines) = talk(who)[:remarks].find { |one| one[:id] == id }
  def words_pin(exact, network: :ticker) = { "kind" => "words", "adaptation_id" => on(network), "exact" => exact }

  def ask_client
    world.ask(post, 0)
    world.answer(post, :wren)
    world.ask(post, 1)
  end

  it "stands in threads, which are settled and opened again" do
    root = say("Is that the rule on Sundays too?", who: :wren)
    answer = say("The same on Sundays.", who: :maro, thread_id: root)
    again = say("Good.", who: :wren, thread_id: answer)
    expect([answer, again].map { |id| remark(id)[:thread_id] }).to eq [root, root]
    world.act("Talk::SettleRemark", :maro, remark_id: answer, settled: true)
    expect(remark(root)[:settled]).to include(by: "Maro Lindqvist")
    world.act("Talk::SettleRemark", :wren, remark_id: root, settled: false)
    expect(remark(root)[:settled]).to be_nil
    expect(world.acts(post)).to include("remark_settled", "remark_reopened")
  end

  it "an answer stands in the room of what it answers, and beside its post" do
    ask_client
    root = say("Which pier?", who: :odile, room: "client")
    expect(refusal { say("Between us", thread_id: root) }).to be_a AskFirst::Core::NotFound
    other = world.draft
    expect(
      refusal { world.act("Talk::Say", :ines, post_id: other, room: "client", words: "x", thread_id: root) }
    ).to be_a AskFirst::Core::NotFound
    expect { world.owner[:remarks].where(id: say("Inside")).update(thread_id: root) }.to raise_error(
      Sequel::ForeignKeyConstraintViolation
    )
  end

  it "pinned to words stays with them when the text around changes, and says so when they are gone" do
    id = say("Say which one.", pin: words_pin("the estuary"))
    expect(remark(id)[:pin]).to include(gone: false, start: "When fog sits on ".length, channel: "Ticker")
    world.write(post, "text", "Good morning. When fog sits on the estuary, nobody guesses.")
    expect(remark(id)[:pin]).to include(gone: false, start: "Good morning. When fog sits on ".length)
    world.write(post, "text", "When fog sits on the river, nobody guesses.")
    expect(remark(id)[:pin]).to include(gone: true, start: nil)
  end

  it "pinned to a spot of a picture says so when it was replaced" do
    media = world.post_state(post).master["media"].first
    spot = {
      "kind" => "spot",
      "adaptation_id" => on(:vitrine),
      "media_id" => media,
      "x" => 400,
      "y" => 520,
      "width" => 100,
      "height" => 90
    }
    id = say("The funnel is last year's red.", pin: spot)
    expect(remark(id)[:pin]).to include(gone: false, x: 400, width: 100)
    other = world.act("Media::UploadMedia", :sunniva, io: SpecWorld.picture(2), name: "pier.jpg")[:id]
    world.write(post, "media", [other], who: :sunniva)
    expect(remark(id)[:pin]).to include(gone: true)
  end

  describe "a suggested edit" do
    let(:id) { say("", who: :wren, pin: words_pin("the estuary"), replacement: "the river") }

    def decide(as, who: :maro, **more) = world.act("Talk::DecideSuggestion", who, remark_id: id, as: as, **more)
    def text(network) = world.post_state(post).adaptation(on(network)).request["text"]

    it "is shown as the difference, and taken everywhere or on one channel" do
      expect(remark(id)[:suggestion]).to include(
        decided: nil,
        here: {
          there: true,
          costs: []
        },
        everywhere: {
          there: true,
          costs: []
        }
      )
      expect(remark(id)[:suggestion][:runs]).to eq [
           { kind: "same", words: "the " },
           { kind: "gone", words: "estuary" },
           { kind: "new", words: "river" }
         ]
      decide("taken", everywhere: true)
      expect([text(:ticker), text(:vitrine)]).to all(include("on the river"))
      expect(remark(id)[:suggestion]).to include(decided: "taken", by: "Maro Lindqvist")
      expect(remark(id)[:settled]).not_to be_nil
    end

    it "taken on one channel leaves the others as they are" do
      decide("taken")
      expect([text(:ticker), text(:vitrine)]).to match [include("the river"), include("the estuary")]
    end

    it "makes whoever takes it an author, who cannot clear it" do
      decide("taken", everywhere: true, who: :ines)
      expect(world.post_state(post).adaptations.first.authors).to include world.person(:ines)
    end

    it "says which yes it ends, and ends it" do
      id
      ask_client
      world.answer(post, :odile)
      cost = remark(id)[:suggestion][:everywhere][:costs]
      expect(cost.join(" ")).to include "yeses of Wren Adeyo and Odile Marchetti will not count on other content"
      error = refusal { decide("taken", everywhere: true, who: :maro) }
      expect([error.code, error.facts["who_can"]]).to match ["not_yours", include("Ines Calloway")]
      decide("taken", everywhere: true, who: :ines)
      expect(world.stage(post)).to eq "drafting"
    end

    it "is decided once, also by two at once" do
      id
      codes = Array.new(2) { Thread.new { refusal { decide("taken", everywhere: true) }&.code } }.map(&:value)
      expect(codes).to match_array [nil, "decided_already"]
      expect(text(:ticker).scan("the river").size).to eq 1
    end

    it "on words that changed meanwhile is not taken, and nothing is written" do
      id
      world.write(post, "text", "When fog sits on the lake, nobody guesses.")
      expect(remark(id)[:suggestion][:here]).to include(there: false)
      error = refusal { decide("taken") }
      expect([error.code, text(:ticker)]).to match ["words_changed", include("the lake")]
      decide("declined")
      expect(remark(id)[:suggestion]).to include(decided: "declined")
    end

    it "is taken by those who may write that part, and by nobody of the client" do
      expect(refusal { decide("taken", who: :sunniva) }).to be_a AskFirst::Core::Refused
      expect(refusal { decide("taken", who: :odile) }).to be_a AskFirst::Core::NotFound
    end
  end

  it "changes and deletes one's own words for a quarter of an hour, until somebody answers; on record" do
    id = say("The funnel is blue.")
    world.act("Talk::EditRemark", :ines, remark_id: id, words: "The funnel is red.")
    expect(remark(id)).to include(words: "The funnel is red.", edited: true)
    expect(db[:record].where(post_id: post, act: "remark_edited").get(:facts)).to include(
      "before" => "The funnel is blue."
    )
    expect(
      refusal { world.act("Talk::EditRemark", :maro, remark_id: id, words: "No") }
    ).to be_a AskFirst::Core::NotFound
    say("Right.", who: :maro, thread_id: id)
    expect(refusal { world.act("Talk::RemoveRemark", :ines, remark_id: id) }.code).to eq "said_too_long_ago"
    other = say("Never mind.")
    world.act("Talk::RemoveRemark", :ines, remark_id: other)
    expect(remark(other)).to include(words: "", deleted: true)
    late = say("Late.")
    world.clock.set(SpecWorld::NOON + 901)
    expect(
      refusal { world.act("Talk::EditRemark", :ines, remark_id: late, words: "Later") }.code
    ).to eq "said_too_long_ago"
  end

  it "tells those who are named, and only those who may be in that room" do
    people = [world.person(:maro), world.person(:odile), world.person(:halima)]
    id = say("Look at this, please.", mentions: people)
    expect(remark(id)[:mentions]).to eq ["Maro Lindqvist"]
    expect(db[:notices].where(post_id: post, kind: "mention").select_map(:person_id)).to eq [world.person(:maro)]
  end

  it "carries files of its own room alone" do
    ask_client
    file =
      world.act("Talk::AddFile", :ines, post_id: post, room: "house", io: StringIO.new("deck log"), name: "log.txt")
    id = say("The page of the log.", file_ids: [file])
    expect(remark(id)[:files]).to match [hash_including(name: "log.txt")]
    expect(refusal { say("Here", room: "client", file_ids: [file]) }).to be_a AskFirst::Core::NotFound
    open = { post_id: post, file_id: file }
    expect(world.act("Talk::OpenFile", :maro, **open)[:name]).to eq "log.txt"
    expect(refusal { world.act("Talk::OpenFile", :odile, **open) }).to be_a AskFirst::Core::NotFound
  end

  it "goes from the client's room into the house's as a copy, and never the other way" do
    ask_client
    id = say("The red is wrong.", who: :odile, room: "client")
    copy = world.act("Talk::CopyInside", :ines, remark_id: id)
    expect(remark(copy)).to include(
      room: "house",
      copied: true,
      words: "Odile Marchetti in client talk: The red is wrong."
    )
    inside = say("Between us")
    expect(refusal { world.act("Talk::CopyInside", :ines, remark_id: inside) }).to be_a AskFirst::Core::NotFound
    expect(refusal { world.act("Talk::CopyInside", :odile, remark_id: id) }).to be_a AskFirst::Core::NotFound
    expect { world.owner[:remarks].where(id: copy).update(room: "client") }.to raise_error(Sequel::DatabaseError)
  end

  it "names who reads each room" do
    ask_client
    readers = talk[:readers]
    expect(readers[:client].map { |one| one[:name] }).to match_array ["Odile Marchetti", "Per Haugland"]
    expect(readers[:house].map { |one| one[:name] }).to include("Ines Calloway", "Maro Lindqvist")
    expect(readers[:house].map { |one| one[:name] }).not_to include "Odile Marchetti"
  end
end
