# frozen_string_literal: true

RSpec.describe "A new post before its first word" do
  def sheet(post) = world.act("Posts::PostSheet", :ines, post_id: post)

  let(:id) { AskFirst::Core::Uuid.v7(world.clock.now) }

  it "has its sheet, and leaves nothing behind when nobody touches it" do
    tables = %i[posts record adaptations parts notices]
    before = tables.to_h { |table| [table, db[table].count] }
    heard = world.environment.bus.heard.size
    sheet = world.act("Posts::NewSheet", :ines, post_id: id)
    expect(sheet).to include(id: id, subject: "", stage: "drafting", adaptations: [])
    expect(sheet[:can]["discard"]).to eq({ ok: true })
    expect(tables.to_h { |table| [table, db[table].count] }).to eq before
    expect(world.environment.bus.heard.size).to eq heard
  end

  it "is made with its first word, once however often it is made, and is then the sheet as it stands" do
    empty = world.act("Posts::NewSheet", :ines, post_id: id)
    2.times { expect(world.act("Posts::CreatePost", :ines, post_id: id)).to eq id }
    expect(db[:record].where(post_id: id, act: "post_made").count).to eq 1
    expect(world.act("Posts::NewSheet", :ines, post_id: id)).to eq empty
    world.write(id, "text", "The first word.")
    expect(world.act("Posts::NewSheet", :ines, post_id: id)).to eq sheet(id)
  end

  it "an id that was not made lately, or is another's, makes nothing: posts are sorted by their ids" do
    year = AskFirst::Core::Uuid.v7(world.clock.now + (365 * 86_400))
    [year, AskFirst::Core::Uuid.v7(Time.at(0)), SecureRandom.uuid, "1; drop table posts"].each do |bad|
      expect(refusal { world.act("Posts::CreatePost", :ines, post_id: bad) }.code).to eq "bad_id"
    end
    world.act("Posts::CreatePost", :ines, post_id: id)
    expect(refusal { world.act("Posts::CreatePost", :wren, post_id: id) }.code).to eq "there_already"
  end
end
