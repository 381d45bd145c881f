# frozen_string_literal: true

RSpec.describe "Asking for several posts at once" do
  def draft(channels: [:ticker], text: "A quiet crossing, number #{SecureRandom.hex(6)}", **more) =
    world.draft(picture: false, channels: channels, text: text, wall: "2026-12-08T12:00", **more)

  def look(posts, who: :ines) = world.act("Signoff::LookAtAsks", who, post_ids: posts)
  def ask(posts, who: :ines, **more) = world.act("Signoff::SendAsks", who, post_ids: posts, **more)
  def why(found, post) = found[:left].find { |one| one[:post_id] == post }&.fetch(:why)

  it "makes one ask for each step, with all its posts, to those who are asked there" do
    inside = [draft, draft]
    outside = draft
    world.ask(outside, 0)
    world.answer(outside, :wren)
    before = look([*inside, outside])
    expect(before[:asks].map { |one| one.slice(:side, :people, :post_ids) }).to match [
            { side: "internal", people: ["Wren Adeyo"], post_ids: match_array(inside) },
            { side: "client", people: match_array(["Odile Marchetti", "Per Haugland"]), post_ids: [outside] }
          ]
    subjects =
      before[:asks].to_h do |one|
        one[:post_ids].zip(one[:subjects]).to_h.values_at(*one[:post_ids]).then { |all| [one[:side], all] }
      end
    expect(subjects["client"]).to eq [world.owner[:posts].where(id: outside).get(:subject)]
    expect(before[:left]).to eq []
    sent = ask([*inside, outside], message: "For next week")
    expect(sent[:asks].map { |one| one.slice(:side, :post_ids) }).to eq(
      before[:asks].map { |one| one.slice(:side, :post_ids) }
    )
    expect(db[:asks].where(id: sent[:asks].map { |one| one[:id] }).select_map(:message).uniq).to eq ["For next week"]
    expect([*inside, outside].map { |post| world.stage(post) }).to eq %w[
         internal_review
         internal_review
         client_approval
       ]
    # one mail to each person, whatever the number of posts
    mails = db[:que_jobs].where(job_class: "AskFirst::Jobs::AskMail").all
    asked = sent[:asks].find { |one| one[:side] == "client" }[:id]
    expect(mails.count { |job| job[:args].include?(asked) }).to eq 2
  end

  it "leaves what cannot be asked, and says why of each" do
    asked = draft
    cleared = draft
    empty = draft(text: " ")
    bare = draft(channels: [])
    world.ask(asked, 0)
    world.clear(cleared)
    foreign = world.draft(client: :brackwater, picture: false, channels: [:ticker])
    sent = ask([asked, cleared, empty, bare, foreign, "x", ready = draft])
    expect(sent[:asks].map { |one| one[:post_ids] }).to eq [[ready]]
    expect(why(sent, asked)).to match(/asked already at “.+”/)
    expect(why(sent, cleared)).to eq "It has all its yeses."
    expect(why(sent, empty)).to match(/Ticker: There is no text/)
    expect(why(sent, bare)).to match(/no channel yet/)
    expect([foreign, "x"].map { |post| why(sent, post) }.uniq).to eq ["It is not there any more."]
  end

  it "leaves a channel with a fault in the way and asks for the others of its post" do
    post = world.draft(wall: "2026-12-08T12:00", text: "Fog #{SecureRandom.hex(6)}")
    limit = db[:channels].where(id: world.channel(:ticker)).get(:card)["text"]["limit"]
    world.write(post, "text", "long " * limit, on: :ticker)
    id = ask([post])[:asks].first[:id]
    on =
      db[:ask_line_adaptations]
        .where(line_id: db[:ask_lines].where(ask_id: id).select(:id))
        .join(:adaptations, id: :adaptation_id)
        .select_map(:channel_id)
    expect(on).to eq [world.channel(:vitrine)]
  end

  it "asks different people where one of the step's wrote part of a post (four eyes)" do
    steps = db[:route_steps].where(id: world.step(0))
    eyes = steps.get(:four_eyes)
    steps.update(four_eyes: true)
    tobiah = { workspace_id: world.workspace, step_id: world.step(0), person_id: world.person(:tobiah) }
    db[:route_step_people].insert(tobiah)
    his = draft
    other = draft
    world.write(his, "text", "He wrote #{SecureRandom.hex(6)}", who: :tobiah)
    expect(look([his, other])[:asks].to_h { |one| one.values_at(:people, :post_ids) }).to eq(
      ["Tobiah Renn", "Wren Adeyo"] => [other],
      ["Wren Adeyo"] => [his]
    )
  ensure
    db[:route_step_people].where(tobiah).delete
    steps.update(four_eyes: eyes)
  end

  it "takes a time by step, none in the past, and no more than 100 posts" do
    post = draft
    due = Time.utc(2026, 10, 19, 9)
    id = ask([post], dues: { world.step(0) => due })[:asks].first[:id]
    expect(db[:asks].where(id: id).get(:due_at)).to eq due
    expect(refusal { ask([draft], dues: { world.step(0) => Time.utc(2020) }) }.code).to eq "due_past"
    expect(refusal { ask(Array.new(101) { SecureRandom.uuid }) }.code).to eq "too_many_posts"
    expect(refusal { look(Array.new(101) { SecureRandom.uuid }) }.code).to eq "too_many_posts"
  end

  it "is refused to who may not ask; looking reads a number of statements that does not grow with the posts" do
    expect(refusal { ask([draft], who: :maro) }).to be_a AskFirst::Core::Refused
    expect(refusal { look([draft], who: :maro) }).to be_a AskFirst::Core::Refused
    few = Array.new(2) { draft }
    many = Array.new(8) { draft }
    counts = [few, many].map { |posts| settled_statements { look(posts) } }
    expect(counts.uniq.size).to eq 1
  end

  it "twice at once: each post is asked once" do
    posts = Array.new(3) { draft }
    threads = Array.new(2) { Thread.new { ask(posts) } }
    found = threads.map(&:value)
    expect(found.sum { |one| one[:asks].sum { |made| made[:post_ids].size } }).to eq 3
    expect(db[:ask_lines].where(post_id: posts, ended_at: nil).select_map(:post_id)).to match_array posts
  end
end
