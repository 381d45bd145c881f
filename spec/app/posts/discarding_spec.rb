# frozen_string_literal: true

RSpec.describe "A discarded draft" do
  def sheet(post) = world.act("Posts::PostSheet", :ines, post_id: post)

  def named(subject)
    world.draft.tap { |post| world.act("Posts::Rename", :ines, post_id: post, subject: subject, version: 1) }
  end

  def scope
    AskFirst::Store::Scope.new(
      world.environment.db,
      workspace_ids: [world.workspace],
      person_id: world.person(:ines),
      side: "agency"
    )
  end

  def lists
    found = AskFirst::App::Posts::ListPosts.call(scope)[:posts].map { |row| row[:id] }
    words = AskFirst::App::Posts::ListPosts.call(scope, words: "Thrown")[:posts].map { |row| row[:id] }
    found | words
  end

  it "stands in no list of posts, opens for nobody, and comes back as it was" do
    post = named("Thrown away")
    world.write(post, "text", "Lamp, lamp, lamp.", on: :ticker)
    before = sheet(post)
    world.act("Posts::DiscardPost", :ines, post_id: post)
    expect(lists).not_to include post
    expect(refusal { sheet(post) }).to be_a AskFirst::Core::NotFound
    expect(refusal { world.write(post, "text", "Still here?", on: :vitrine) }).to be_a AskFirst::Core::NotFound
    world.act("Posts::BringBack", :ines, post_id: post)
    expect(lists).to include post
    expect(sheet(post).except(:can)).to eq before.except(:can)
    expect(refusal { world.act("Posts::BringBack", :ines, post_id: post) }).to be_a AskFirst::Core::NotFound
    expect(db[:record].where(post_id: post).order(:order_no).select_map(:act).last(2)).to eq %w[
         post_discarded
         post_brought_back
       ]
  end

  def reader(who) = AskFirst::App::Reader.new(world.environment, who.is_a?(Symbol) ? world.person(who) : who)

  def discarded(who = :ines, **more)
    AskFirst::App::Posts::ListDiscarded.call(world.environment, reader(who), world.workspace, **more)[:posts]
  end

  describe "is listed" do
    let(:post) { named("Low water") }
    let(:on_vitrine) { world.draft(channels: [:vitrine]) }
    let(:row) { discarded.find { |one| one[:id] == post } }

    before do
      world.write(post, "text", "Lamp at the far pier.", on: :ticker)
      world.act("Posts::DiscardPost", :ines, post_id: post)
    end

    it "with who did it and when, and found by its subject and its copy" do
      expect(row).to include(subject: "Low water", by: "Ines Calloway", restore: { ok: true })
      expect(row[:channels].map { |channel| channel[:name] }).to eq %w[Ticker Vitrine]
      world.act("Posts::BringBack", :ines, post_id: post)
      world.act("Posts::UpdateInnerName", :ines, post_id: post, inner_name: "Rerun of May", version: 1)
      world.act("Posts::DiscardPost", :ines, post_id: post)
      ["low wat", "far pier", "rerun of"].each do |words|
        expect(discarded(words: words).map { |one| one[:id] }).to include post
      end
      expect(discarded(words: "not there")).to eq []
      found = AskFirst::App::Agency::Find.call(scope, "Low water")
      expect(found[:discarded].map { |one| one[:id] }).to include post
      expect(found[:posts].map { |one| one[:id] }).not_to include post
    end

    it "page after page, the latest first" do
      before, later =
        %w[Before Later].map do |subject|
          world.clock.set(world.clock.now + 60)
          named(subject).tap { |one| world.act("Posts::DiscardPost", :ines, post_id: one) }
        end
      stub_const("AskFirst::App::Posts::ListDiscarded::PAGE", 1)
      first = AskFirst::App::Posts::ListDiscarded.call(world.environment, reader(:ines), world.workspace)
      second =
        AskFirst::App::Posts::ListDiscarded.call(
          world.environment,
          reader(:ines),
          world.workspace,
          before: first[:next]
        )
      expect([first, second].map { |page| page[:posts].first[:id] }).to eq [later, before]
      expect(refusal { discarded(before: "1.2") }.code).to eq "bad_cursor"
    end

    it "to be restored by whoever may discard it, and by nobody else" do
      allowed = discarded(:wren).find { |one| one[:id] == post }
      refused = discarded(:sunniva).find { |one| one[:id] == post }
      expect(allowed[:restore]).to eq({ ok: true })
      expect(refused[:restore]).to include(ok: false, why: be_a(String))
      expect(refusal { world.act("Posts::BringBack", :sunniva, post_id: post) }).to be_a AskFirst::Core::Refused
      world.act("Posts::BringBack", :wren, post_id: post)
      expect(discarded.map { |one| one[:id] }).not_to include post
    end

    it "not to whoever is limited to another channel, nor to a stranger, and opens at its address for neither" do
      there = ->(who) { world.act("Posts::DiscardedPost", who, post_id: on_vitrine) }
      world.act("Posts::DiscardPost", :ines, post_id: on_vitrine)
      expect(there.call(:ines)).to eq(discarded.find { |one| one[:id] == on_vitrine })
      limited = limited_to(world.channel(:ticker), client: :quillmere)
      listed = discarded(limited.person_id).map { |one| one[:id] }
      expect(listed).to include post
      expect(listed).not_to include on_vitrine
      [limited, :odile].each { |who| expect(refusal { there.call(who) }).to be_a AskFirst::Core::Error }
      expect(refusal { world.act("Posts::BringBack", limited, post_id: on_vitrine) }).to be_a AskFirst::Core::NotFound
      expect(refusal { discarded(SecureRandom.uuid) }).to be_a AskFirst::Core::NotFound
    end

    it "two who restore it at once: one does, the other meets nothing" do
      errors =
        %i[ines wren]
          .map { |who| Thread.new { refusal { world.act("Posts::BringBack", who, post_id: post) } } }
          .map(&:value)
      expect(errors.compact.map(&:class)).to eq [AskFirst::Core::NotFound]
    end

    it "keeps its subject in the record" do
      rows = AskFirst::App::Record::ClientRecord.call(world.environment, scope)[:rows]
      expect(rows.find { |one| one[:act] == "post_discarded" && one[:post_id] == post }[:subject]).to eq "Low water"
    end
  end

  it "what is asked for, released or out stays, and the page says why" do
    asked = world.draft
    world.ask(asked, 0)
    released = world.draft
    world.clear(released)
    cleared = refusal { world.act("Posts::DiscardPost", :ines, post_id: released) }
    world.release(released)
    expect(cleared).to have_attributes(code: "not_a_draft", way_on: "Unlock it first.")
    expect(sheet(asked)[:can]["discard"]).to eq({ ok: false, why: "A yes is asked for. Withdraw the ask first." })
    expect(sheet(released)[:can]["discard"][:why]).to eq "It is released. Cancel the release first."
    expect(refusal { world.act("Posts::DiscardPost", :ines, post_id: asked) }.code).to eq "asked_for"
    expect(refusal { world.act("Posts::DiscardPost", :ines, post_id: released) }.code).to eq "released"
    expect(sheet(world.draft)[:can]["discard"]).to eq({ ok: true })
  end

  it "the database itself keeps what is released or asked for, whoever calls it" do
    asked = world.draft
    world.ask(asked, 0)
    gone =
      scope.transaction do
        world.environment.db.get(
          Sequel.function(:app_discard_post, world.workspace, asked, world.person(:ines), world.clock.now)
        )
      end
    expect(gone).to be_nil
    expect { db[:posts].where(id: asked).update(discarded_at: world.clock.now) }.to raise_error(
      Sequel::CheckConstraintViolation
    )
  end

  it "two who throw it away at once: one does, the other meets nothing" do
    post = world.draft
    errors =
      %i[ines wren]
        .map { |who| Thread.new { refusal { world.act("Posts::DiscardPost", who, post_id: post) } } }
        .map(&:value)
    expect(errors.compact.size).to eq 1
    expect(db[:record].where(post_id: post, act: "post_discarded").count).to eq 1
  end
end
