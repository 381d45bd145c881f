# frozen_string_literal: true

RSpec.describe "A draft thrown away" do
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

  it "stands in no list, opens for nobody, and comes back as it was for whoever threw it away" do
    post = named("Thrown away")
    world.write(post, "text", "Lamp, lamp, lamp.", on: :ticker)
    before = sheet(post)
    world.act("Posts::DiscardPost", :ines, post_id: post)
    expect(lists).not_to include post
    expect(refusal { sheet(post) }).to be_a AskFirst::Core::NotFound
    expect(refusal { world.write(post, "text", "Still here?", on: :vitrine) }).to be_a AskFirst::Core::NotFound
    expect(refusal { world.act("Posts::BringBack", :maro, post_id: post) }).to be_a AskFirst::Core::NotFound
    world.act("Posts::BringBack", :ines, post_id: post)
    expect(lists).to include post
    expect(sheet(post).except(:can)).to eq before.except(:can)
    expect(refusal { world.act("Posts::BringBack", :ines, post_id: post) }).to be_a AskFirst::Core::NotFound
    expect(db[:record].where(post_id: post).order(:order_no).select_map(:act).last(2)).to eq %w[
         post_discarded
         post_brought_back
       ]
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
