# frozen_string_literal: true

require "csv"
require "open3"
require "tmpdir"

# The sign-off sheet: every yes with whose it was, and what proves it to somebody outside.
RSpec.describe "The sign-off sheet" do
  let(:post) { world.draft(channels: [:vitrine]) }
  let(:sheet) { world.act("Signoff::SheetRows", :ines, post_id: post) }
  let(:proof) { JSON.parse(JSON.generate(world.act("Signoff::SheetProof", :ines, post_id: post))) }

  # Other specs have transactions of their own in this cluster, and a row waits for all that run.
  def seal
    process = AskFirst::App::Member.process(world.workspace, "record")
    200.times do
      AskFirst::App::Record::Seal.call(world.jobs, process)
      break if %i[record record_leaves].map { |table| db[table].where(workspace_id: world.workspace).count }.uniq.one?

      sleep(0.05)
    end
  end

  def rows(sheet = self.sheet) =
    sheet[:rows].map { |row| row.values_at("step", "said", "person", "way", "by", "counts") }

  it "says every yes with person, way and hand, and whether it counts still" do
    world.ask(post, 0)
    world.answer(post, :wren)
    world.ask(post, 1)
    reason = { reason: "By phone, 10:40" }
    world.act(
      "Signoff::ClearFor",
      :bram,
      post_id: post,
      step_id: world.step(1),
      person_id: world.person(:odile),
      **reason
    )
    expect(rows).to eq [
         ["Read by a colleague", "yes", "Wren Adeyo", "by account", "Wren Adeyo", "yes"],
         ["The client's yes", "yes", "Odile Marchetti", "in their name", "Bram Teodoro", "yes"]
       ]
    expect(sheet[:rows].map { |row| row["fingerprint"] }.uniq).to eq [
         world.post_state(post).adaptations.first.fingerprint
       ]
    expect(sheet[:rows].map { |row| row["revision"] }).to eq [1, 1]
    world.act("Posts::OpenPost", :ines, post_id: post, adaptation_ids: world.post_state(post).adaptations.map(&:id))
    world.write(post, "text", "Other words.")
    expect(rows(world.act("Signoff::SheetRows", :ines, post_id: post)).map(&:last)).to eq %w[no no]
  end

  it "says what was decided beside the answers, and what was wanted otherwise" do
    world.ask(post, 0)
    world.answer(post, :wren, "change", "Shorter, please")
    world.answer(post, :wren)
    world.act("Signoff::DropStep", :bram, post_id: post, step_id: world.step(0), reason: "Agreed by all")
    expect(rows.map { |row| row[1..4] }).to eq [
         ["change", "Wren Adeyo", "by account", "Wren Adeyo"],
         ["yes", "Wren Adeyo", "by account", "Wren Adeyo"],
         ["dropped", "", "on record", "Bram Teodoro"]
       ]
  end

  it "is of a campaign and of a period too, and of what its reader sees" do
    world.clear(post)
    world.act("Posts::SetCampaign", :ines, post_id: post, name: "Winter")
    campaign = db[:campaigns].where(name: "Winter", workspace_id: world.workspace).get(:id)
    days = { from: "2026-10-15", to: "2026-10-15" }
    expect(rows(world.act("Signoff::SheetRows", :ines, campaign_id: campaign)).size).to eq 2
    found = world.act("Signoff::SheetRows", :ines, **days)
    expect(found[:rows].map { |row| row[:post_id] }).to include post
    expect(found[:title]).to eq "Quillmere Ferries, 15 October 2026 to 15 October 2026"
    limited = limited_to(world.channel(:ticker), client: :quillmere)
    expect(world.act("Signoff::SheetRows", limited, campaign_id: campaign)[:rows]).to eq []
    expect(refusal { world.act("Signoff::SheetRows", limited, post_id: post) }).to be_a AskFirst::Core::NotFound
    expect(refusal { world.act("Signoff::SheetRows", :odile, post_id: post) }).to be_a AskFirst::Core::Error
  end

  describe "is proved" do
    before do
      seal
      @held = db[:record_tops].where(workspace_id: world.workspace).order(:size).last
      world.clear(post)
      seal
    end

    def check(proof = self.proof, **more) = AskFirst::Core::Record::Verification.new(proof, **more).wrong
    def held = @held && [@held[:size], @held[:root].unpack1("H*")]

    def picture
      rendition = world.post_state(post).adaptations.first.pictures.first[:rendition_id]
      world.environment.files.path(db[:renditions].where(id: rendition).get(:file))
    end

    it "by its entries, the contents that they name, what stood in a mail, and the file that goes out" do
      expect(proof["entries"].size).to eq 2
      said = proof["entries"].map { |one| JSON.parse(one["entry"])["facts"]["verdict"] }
      expect(said).to eq %w[yes yes]
      digest = Digest::SHA256.file(picture).hexdigest
      expect(check(held: held, digests: { "boat.jpg" => digest })).to eq []
      expect(proof["entries"].to_s).not_to include "from_address"
    end

    it "and not by anything that was changed" do
      forged = JSON.parse(JSON.generate(proof))
      forged["entries"][0]["entry"].sub!("yes", "no!")
      expect(check(forged)).to eq ["Entry #{forged["entries"][0]["place"]} is not in the record."]
      other = JSON.parse(JSON.generate(proof))
      other["contents"].each_value { |content| content.sub!("fog", "log") }
      expect(check(other).first).to include "has another one"
      expect(check(held: [held[0], "0" * 64])).to eq ["It has not grown from the #{held[0]} entries that you hold."]
      expect(check(digests: { "other.jpg" => "0" * 64 })).to eq [
           "other.jpg is none of the files that were said yes to."
         ]
      expect { check({ "entries" => 1 }) }.to raise_error(AskFirst::Core::Invalid, /not what proves/)
    end

    it "by a short script that knows nothing of this program, and by a command" do
      Dir.mktmpdir do |folder|
        file = File.join(folder, "proof.json")
        File.write(file, JSON.generate(proof))
        [%w[ruby docs/verify_record.rb], ["bin/verify-record"]].each do |command|
          run = ->(*more) do
            Open3.capture2e(*command, file, *more, chdir: AskFirst::ROOT).then { |out, status| [status.success?, out] }
          end
          expect(run.call("--held", held.join(":"), picture)).to match [true, /Right/]
          expect(run.call("--held", "#{held[0]}:#{"0" * 64}")).to match [false, /has not grown/]
          expect(run.call(File.join(AskFirst::ROOT, "README.md"))).to match [false, /none of the files/]
        end
      end
    end
  end

  describe "when somebody has passed by the acts" do
    let(:sheet_rows) { world.act("Signoff::SheetRows", :ines, post_id: post)[:rows] }

    # As whoever has the database can, and nobody else.
    def tamper(table)
      world.owner.transaction do
        world.owner.run("ALTER TABLE #{table} DISABLE TRIGGER USER")
        yield world.owner[table.to_sym]
        world.owner.run("ALTER TABLE #{table} ENABLE TRIGGER USER")
      end
    end

    before do
      world.ask(post, 0)
      world.answer(post, :wren)
      seal
    end

    it "what the record says is an entry of it" do
      expect(sheet_rows.map { |row| row.values_at("counts", "record") }).to match [["yes", /\Aentry \d+\z/]]
    end

    it "what was just said is not sealed yet, and counts" do
      world.ask(post, 1)
      world.answer(post, :odile)
      expect(sheet_rows.map { |row| row.values_at("counts", "record") }.last).to eq ["yes", "not sealed yet"]
    end

    {
      "another verdict" => ["change", { verdict: "yes", words: "" }],
      "other words" => ["change", { words: "Longer, please" }],
      "another content" => ["yes", { fingerprint: "0" * 64 }],
      "another person" => ["yes", :maro],
      "one that did not count, and does now" => ["late", { eligible: true }]
    }.each do |name, (said, change)|
      it "an answer with #{name} is not in the record, and counts for nothing" do
        world.answer(post, :wren, "change", "Shorter, please") if said == "change"
        if said == "late"
          line = world.line(post)
          shown = world.shown(post)
          world.act(
            "Posts::OpenPost",
            :ines,
            post_id: post,
            adaptation_ids: world.post_state(post).adaptations.map(&:id)
          )
          world.act(
            "Posts::ClosePost",
            :ines,
            post_id: post,
            adaptation_ids: world.post_state(post).adaptations.map(&:id)
          )
          world.act(
            "Signoff::AnswerAsk",
            :wren,
            line_id: line[:id],
            verdict: "change",
            words: "Once more",
            shown: shown,
            seen: 0
          )
          change = { eligible: false }
        end
        seal
        values = change == :maro ? { person_id: world.person(:maro), given_by: world.person(:maro) } : change
        last = db[:answers].where(post_id: post).max(:order_no)
        tamper("answers") { |answers| answers.where(order_no: last).update(values) }
        expect(sheet_rows.last.values_at("counts", "record", "place")).to eq ["no", "not in the record", nil]
      end
    end

    it "an invented answer is not in the record" do
      row = db[:answers].where(post_id: post).first
      invented =
        row.except(:order_no).merge(
          id: AskFirst::Core::Uuid.v7(world.environment.now),
          given_at: world.environment.now + 60
        )
      world.owner[:answers].insert(invented)
      expect(sheet_rows.last.values_at("counts", "record")).to eq ["no", "not in the record"]
    end

    it "nor is one whose entry was changed with it, after it was sealed" do
      tamper("answers") { |answers| answers.where(post_id: post).update(words: "Gladly") }
      tamper("record") do |record|
        said = Sequel.lit("jsonb_set(facts, '{words}', '\"Gladly\"')")
        record.where(post_id: post, act: "answered").update(facts: said)
      end
      expect(sheet_rows.last.values_at("counts", "record")).to eq ["no", "not in the record"]
    end
  end

  let(:paper) { AskFirst::Web::Paper::Signoff.new(world.act("Signoff::SheetPaper", :ines, post_id: post)).render }

  def on_paper(bytes)
    Open3.capture2("pdftotext", "-layout", "-", "-", stdin_data: bytes, binmode: true).first.force_encoding("UTF-8")
  end

  it "has on paper all that was said yes to, over as many pages as it takes, at the client's own time" do
    long = Array.new(24) { |at| "Paragraph #{at} of what the client reads before saying yes to it, word by word." }
    world.write(post, "text", long.join("\n\n"))
    world.ask(post, 0)
    world.answer(post, :wren)
    world.act("Posts::OpenPost", :ines, post_id: post, adaptation_ids: world.post_state(post).adaptations.map(&:id))
    world.write(post, "text", "Other words, asked about by nobody.")
    request = world.owner[:revision_adaptations].where(post_id: post).reverse(:id).get(:request)
    read = on_paper(paper).gsub(/\s+/, " ")
    missing = AskFirst::Core::Signoff::ContentWords.of(request).map { |pair| pair.join(": ").gsub(/\s+/, " ") }
    missing.reject! { |words| read.delete(" ").include?(words.delete(" ")) }
    expect(missing).to eq []
    expect(read).not_to include "asked about by nobody"
    expect(read).to match(/Wren Adeyo, Read by a colleague, Wed 14 Oct 2026, \d+:\d\d Lisbon/)
  end

  it "as a CSV and a PDF says the same, and no cell runs as a formula" do
    world.ask(post, 0)
    world.answer(post, :wren, "yes", "=1+1 good")
    seal
    text = on_paper(paper)
    fingerprint = world.post_state(post).adaptations.first.fingerprint
    expect(text).to include(
      "Sign-off: Quillmere Ferries, Fog days",
      "Wren Adeyo, Read by a colleague",
      fingerprint[0, 40]
    )
    top = db[:record_tops].where(workspace_id: world.workspace).order(:size).last
    expect(text).to include "As counted by the record on Wed 14 Oct 2026, "
    expect(text).to include "Record: #{top[:size]} entries, sealed as #{top[:root].unpack1("H*")}"
    images, = Open3.capture2("pdfimages", "-list", "-", stdin_data: paper, binmode: true)
    expect(images.lines.size).to eq 3 # a head of two lines, and the picture of the proof
    columns = AskFirst::App::Signoff::SheetRows::COLUMNS
    csv =
      AskFirst::Web::SheetFiles.csv(
        columns,
        world.act("Signoff::SheetRows", :ines, post_id: post)[:rows].map { |row| row.values_at(*columns).map(&:to_s) }
      )
    read = CSV.parse(csv.delete_prefix("\uFEFF"), headers: true).first
    expect(read.to_h).to include("person" => "Wren Adeyo", "fingerprint" => fingerprint)
    expect(read["words"]).not_to start_with "="
  end
end
