# frozen_string_literal: true

# What a person was told stands in the masthead, over all of their clients, also what they do not want by mail.
RSpec.describe "Notices in the masthead" do
  let(:post) { world.draft }

  def scope(who)
    rows = AskFirst::Store::People::Members.of_person(world.environment.db, world.person(who), world.environment.now)
    ids = rows.map { |row| row[:workspace_id] }
    AskFirst::Store::Scope.new(world.environment.db, workspace_ids: ids, person_id: world.person(who), side: "agency")
  end

  def notices(who = :maro) = AskFirst::App::Agency::Notices.call(scope(who))
  def read(ids, who: :maro) = AskFirst::App::Agency::Notices.read(world.environment, scope(who), ids)

  def mention(words)
    world.act("Talk::Say", :ines, post_id: post, room: "house", words: words, mentions: [world.person(:maro)])
  end

  before { world.owner[:notices].delete }

  it "stand newest first, each with its client and post, until they are read" do
    mention("First")
    world.clock.set(SpecWorld::NOON + 60)
    mention("Second")
    expect(notices).to include(unread: 2)
    one = notices[:notices].first
    expect(one).to include(
      kind: "mention",
      client: "Quillmere Ferries",
      post_id: post,
      subject: "Fog days",
      read: false
    )
    expect(one[:words]).to eq "Ines Calloway names you: Second"
    read([one[:id]])
    expect(notices[:notices].map { |each| each[:read] }).to eq [true, false]
    read(nil)
    expect(notices[:unread]).to eq 0
    expect(AskFirst::App::Agency::Waits.call(scope(:maro))[:notices]).to eq 0
  end

  it "are one's own: nobody reads another's, or reads them for them" do
    mention("First")
    id = notices[:notices].first[:id]
    expect(notices(:ines)).to include(unread: 0, notices: [])
    read([id], who: :ines)
    expect(notices[:unread]).to eq 1
  end

  it "are there, too, for who wants no mail" do
    world.owner[:people].where(id: world.person(:maro)).update(notices: Sequel.lit(%q('{"mention": "not"}'::jsonb)))
    mention("Quietly")
    expect(notices[:unread]).to eq 1
    expect(db[:notices].get(:due_at)).to be_nil
  ensure
    world.owner[:people].where(id: world.person(:maro)).update(notices: Sequel.lit("'{}'::jsonb"))
  end
end
