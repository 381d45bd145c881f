# frozen_string_literal: true

RSpec.describe "The owner of a post" do
  def give(post, whom, who: :ines)
    world.act("Posts::UpdateOwner", who, post_id: post, person_id: whom)
  end

  def owner(post) = db[:posts].where(id: post).get(:owner_id)

  it "is changed by who may, on record, and voids nothing" do
    post = world.draft(picture: false, channels: [:ticker], wall: "2026-12-08T12:00").tap { |one| world.clear(one) }
    stage = db[:posts].where(id: post).get(:stage)
    expect(give(post, world.person(:maro))).to eq world.person(:ines)
    expect([owner(post), db[:posts].where(id: post).get(:stage)]).to eq [world.person(:maro), stage]
    facts = db[:record].where(post_id: post, act: "owner_changed").get(:facts)
    expect(facts.to_h).to include("before" => "Ines Calloway", "after" => "Maro Lindqvist")
    give(post, world.person(:maro))
    expect(db[:record].where(post_id: post, act: "owner_changed").count).to eq 1
  end

  it "works for the client and sees the post: not the client's own people, nobody from elsewhere" do
    post = world.draft(picture: false, channels: [:ticker])
    [world.person(:odile), SecureRandom.uuid, "nobody"].each do |whom|
      expect(refusal { give(post, whom) }).to have_attributes(code: "no_such_owner", field: "person")
    end
    expect(refusal { give(post, world.person(:maro), who: :sunniva) }).to be_a(AskFirst::Core::Refused)
  end
end
