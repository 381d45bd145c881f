# frozen_string_literal: true

RSpec.describe "Pencil marks" do
  let(:client) { fresh_client }
  let!(:ticker) { connected(client) }
  let!(:vitrine) { connected(client, "vitrine") }

  def pencil(put: [], erase: [], who: :ines) = world.act("Plan::UpdateMarks", who, client, put: put, erase: erase)
  def cell(day, channel = ticker, **more) = { "day" => day, "channel_id" => channel, **more.transform_keys(&:to_s) }

  def scope(limits: {})
    AskFirst::Store::Scope.new(
      world.environment.db,
      workspace_ids: [world.workspace(client)],
      person_id: world.person(:ines),
      side: "agency",
      limits: limits
    )
  end

  def marks(limits: {}, **narrowed)
    filter = AskFirst::Core::Plan::Filter.read(narrowed.transform_keys(&:to_s))
    AskFirst::App::Plan::Period.month(world.environment, scope(limits: limits), month: "2026-11", filter: filter)[
      :marks
    ]
  end

  def words(found) = found.map { |mark| [mark[:day], mark[:channel_id], mark[:word]] }

  it "are put and erased as a block, and what stood there before undoes it" do
    expect(pencil(put: [cell("2026-11-03", word: "weekend tip"), cell("2026-11-03", vitrine)])).to eq []
    before = pencil(put: [cell("2026-11-03", word: "a voice")], erase: [cell("2026-11-03", vitrine)])
    expect(words(marks)).to eq [["2026-11-03", ticker, "a voice"]]
    pencil(put: before.map { |mark| mark.slice(:day, :channel_id, :clock, :word, :label_id).transform_keys(&:to_s) })
    expect(words(marks)).to match_array [["2026-11-03", ticker, "weekend tip"], ["2026-11-03", vitrine, ""]]
    expect(db[:record].where(workspace_id: world.workspace(client), act: "pencilled").count).to eq 3
  end

  it "all stand or none: one wrong cell refuses the block" do
    expect(refusal { pencil(put: [cell("2026-11-03"), cell("2026-11-31")]) }.code).to eq "bad_date"
    expect(refusal { pencil(put: [cell("2026-11-03"), cell("2026-11-04", SecureRandom.uuid)]) }).to be_a(
      AskFirst::Core::NotFound
    )
    expect(marks).to eq []
  end

  it "are not put on an archived channel, nor with a label that is gone; another client's channel is not there" do
    channel = db[:channels].where(id: vitrine).first
    world.act("Channels::ArchiveChannel", :ines, client, channel_id: vitrine)
    expect(refusal { pencil(put: [cell("2026-11-03", vitrine)]) }.code).to eq "channel_archived"
    expect(pencil(erase: [cell("2026-11-03", vitrine)])).to eq []
    expect(refusal { pencil(put: [cell("2026-11-03", label_id: channel[:id])]) }.code).to eq "no_such_label"
    foreign = world.channel(:ticker)
    expect(refusal { pencil(put: [cell("2026-11-03", foreign)]) }).to be_a(AskFirst::Core::NotFound)
  end

  it "two who pencil the same cell at once: one mark stands" do
    threads = 4.times.map { |n| Thread.new { pencil(put: [cell("2026-11-05", word: "n#{n}")]) } }
    threads.each(&:join)
    expect(marks.size).to eq 1
  end

  it "are seen by who sees their channel, and narrowed by channel and label; by nothing else are there any" do
    pencil(put: [cell("2026-11-03"), cell("2026-11-04", vitrine)])
    expect(marks(limits: { world.workspace(client) => [vitrine] }).map { |mark| mark[:day] }).to eq ["2026-11-04"]
    expect(marks(channels: ticker).map { |mark| mark[:day] }).to eq ["2026-11-03"]
    expect(marks(stages: "cleared")).to eq []
  end

  it "are for who plans: a designer is told who can" do
    expect(
      refusal do
        world.act("Plan::UpdateMarks", :sunniva, :quillmere, put: [cell("2026-11-03", world.channel(:ticker))])
      end
    ).to be_a(AskFirst::Core::Refused)
  end

  describe "made into a post" do
    it "carries channel, day, hour, word and kind over, and is gone; a second time it is told so" do
      label = AskFirst::Core::Uuid.v7(Time.now)
      db[:labels].insert(
        workspace_id: world.workspace(client),
        id: label,
        name: "Places",
        made_by: world.person(:ines),
        made_at: world.environment.now
      )
      pencil(put: [cell("2026-11-06", word: "Lamp walk", clock: "18:30", label_id: label)])
      write = -> { world.act("Plan::CreateMarkPost", :ines, client, cells: [cell("2026-11-06")]) }
      post = write.call
      sheet = world.act("Posts::PostSheet", :ines, client, post_id: post)
      expect(sheet).to include(subject: "Lamp walk")
      expect(db[:adaptations].where(post_id: post).select_map(:channel_id)).to eq [ticker]
      expect(db[:parts].where(post_id: post, part: "time").get(:value)["wall"]).to eq "2026-11-06T18:30:00"
      expect(db[:post_labels].where(post_id: post).select_map(:label_id)).to eq [label]
      expect(marks).to eq []
      expect(refusal(&write).code).to eq "mark_gone"
    end

    it "twice at once makes one post" do
      pencil(put: [cell("2026-11-07", word: "Once")])
      before = db[:posts].where(workspace_id: world.workspace(client)).count
      codes =
        2
          .times
          .map do
            Thread.new do
              world.act("Plan::CreateMarkPost", :ines, client, cells: [cell("2026-11-07")]) && nil
            rescue AskFirst::Core::Over => e
              e.code
            end
          end
          .map(&:value)
      expect(codes).to contain_exactly(nil, "mark_gone")
      expect(db[:posts].where(workspace_id: world.workspace(client)).count).to eq before + 1
    end
  end

  describe "made into drafts as a block" do
    def cell(day, channel, word, **more) = { "day" => day, "channel_id" => channel, "word" => word, **more }
    def write(cells, who: :ines) = world.act("Plan::CreateDrafts", who, client, cells: cells)

    it "is one post for what is said at the same time, with its channels, day, hour and label" do
      ids =
        write(
          [
            cell("2026-10-20", ticker, "Market day", "clock" => "10:30"),
            cell("2026-10-20", vitrine, "Market day", "clock" => "10:30"),
            cell("2026-10-21", ticker, "=SUM(A1)")
          ]
        )
      found = ids.map { |id| db[:posts].where(id: id).get(:subject) }
      expect(found).to eq ["Market day", "=SUM(A1)"]
      on = ids.map { |id| db[:adaptations].where(post_id: id).select_map(:channel_id) }
      expect(on).to match [match_array([ticker, vitrine]), [ticker]]
      walls = ids.map { |id| db[:parts].where(post_id: id, part: "time").get(:value)["wall"][0, 16] }
      expect(walls).to eq %w[2026-10-20T10:30 2026-10-21T12:00]
    end

    it "takes the marks that stood there, needs a word in each cell, and takes 200 at once" do
      world.act("Plan::UpdateMarks", :ines, client, put: [cell("2026-10-22", ticker, "kept")], erase: [])
      write([cell("2026-10-22", ticker, "Now a draft")])
      expect(db[:pencil_marks].where(workspace_id: world.workspace(client), day: Date.new(2026, 10, 22)).count).to eq 0
      expect(refusal { write([cell("2026-10-23", ticker, " ")]) }.code).to eq "word_missing"
      many = (0...201).map { |n| cell((Date.new(2026, 11, 1) + n).iso8601, ticker, "Day #{n}") }
      before = db[:posts].where(workspace_id: world.workspace(client)).count
      expect(refusal { write(many) }.code).to eq "too_many_marks"
      expect(db[:posts].where(workspace_id: world.workspace(client)).count).to eq before
      expect(refusal { write([cell("2026-10-23", SecureRandom.uuid, "x")]) }).to be_a AskFirst::Core::NotFound
    end
  end
end
