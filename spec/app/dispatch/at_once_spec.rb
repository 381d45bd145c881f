# frozen_string_literal: true

# Two at once: people, dispatchers, or one of each. Each pair has one defined result.
RSpec.describe "Two at once" do
  let(:due) { Time.utc(2026, 10, 15, 6, 30, 1) }

  def together(*blocks)
    ready = Queue.new
    go = Queue.new
    threads =
      blocks.map do |block|
        Thread.new do
          ready << true
          go.pop
          block.call
        rescue AskFirst::Core::Error => e
          e
        end
      end
    blocks.size.times { ready.pop }
    blocks.size.times { go << true }
    threads.map(&:value)
  end

  def process = AskFirst::App::Member.process(world.workspace, "dispatcher")

  def sent(post)
    id = AskFirst::Core::Dispatch::SendId.for(db[:showings].where(post_id: post).get(:id))
    JSON
      .parse(Net::HTTP.get(URI("#{Infrastructure.stand_ins[:url]}/control/ticker/quillmere/posts")))
      .count { |one| one["send_id"] == id }
  end

  it "four dispatchers take one showing: one sends it" do
    post = world.draft(channels: [:ticker], picture: false)
    world.clear(post)
    world.release(post)
    world.clock.set(due)
    showing = db[:showings].where(post_id: post).get(:id)
    together(
      *Array.new(4) { -> { AskFirst::App::Dispatch::Advance.call(world.environment, process, showing_id: showing) } }
    )
    expect([sent(post), world.stage(post)]).to eq [1, "out"]
    expect(db[:attempts].where(showing_id: showing, event: "sending").count).to eq 1
  end

  it "a change and a send: either it went out before, or it did not go out" do
    5.times do
      post = world.draft(channels: [:ticker], picture: false)
      world.clear(post)
      world.release(post)
      world.clock.set(due)
      showing = db[:showings].where(post_id: post).get(:id)
      _, answer =
        together(
          -> { AskFirst::App::Dispatch::Advance.call(world.environment, process, showing_id: showing) },
          lambda { world.answer(post, :per, "change", "Stop") }
        )
      if sent(post) == 1
        expect(world.stage(post)).to eq "out"
        expect(answer).to be_a(AskFirst::Core::Over).or include(stage: "released") # it was told that it is too late
      else
        expect(world.stage(post)).to eq "changes_wanted"
      end
      world.clock.set(SpecWorld::NOON)
    end
  end

  # What arrives between release and sending, and where the post stands when it arrived first.
  stops = {
    "an opening to edit it" => [
      "drafting",
      ->(post) { world.act("Posts::OpenPost", :ines, post_id: post, adaptation_ids: [world.adaptation(post, :ticker)]) }
    ],
    "a no" => ["changes_wanted", ->(post) { world.answer(post, :per, "change", "Stop") }],
    "a hold" => ["held", ->(_) { world.act("Signoff::Hold", :ines, reason: "A death on board") }],
    "a changed route" => ["internal_review", ->(post) { another_route(post) }]
  }.freeze

  def another_route(post)
    asked = { "quorum" => "any", "n" => nil, "hours" => 8, "required" => true, "four_eyes" => false }
    step = { "name" => "Two more eyes", "side" => "internal", "people" => [world.person(:bram)], **asked }
    route = world.act("Signoff::SaveRoute", :bram, steps: [step], about: { name: "With care #{post[-6..]}" })[:id]
    world.act("Signoff::ChooseRoute", :bram, post_id: post, route_id: route, reason: "It names a price")
  end

  def due_now
    world
      .draft(channels: [:ticker], picture: false)
      .tap do |post|
        world.clear(post)
        world.release(post)
        world.clock.set(due)
      end
  end

  def advance(post)
    showing = db[:showings].where(post_id: post).get(:id)
    AskFirst::App::Dispatch::Advance.call(world.environment, process, showing_id: showing)
  end

  stops.each do |what, (stands, act)|
    it "#{what} before the send: nothing goes out, however often it is tried" do
      post = due_now
      instance_exec(post, &act)
      3.times { advance(post) }
      expect([sent(post), world.stage(post)]).to eq [0, stands]
    ensure
      lift
    end

    it "#{what} and a send at once: it is out, or it stands there" do
      5.times do
        post = due_now
        together(-> { advance(post) }, -> { instance_exec(post, &act) })
        advance(post)
        expect([[1, "out"], [0, stands]]).to include [sent(post), world.stage(post)]
        lift
        world.clock.set(SpecWorld::NOON)
      end
    end
  end

  def lift
    db[:holds]
      .where(workspace_id: world.workspace, lifted_at: nil)
      .select_map(:id)
      .each { |id| world.act("Signoff::LiftHold", :ines, hold_id: id) }
  end

  it "the end of somebody's membership and a send: their yes was given when it was theirs to give, and it goes out" do
    post = due_now
    asked = db[:route_step_people].where(step_id: world.step(1)).all
    membership = db[:memberships].where(workspace_id: world.workspace, person_id: world.person(:odile))
    ending = -> { world.act("People::EndMember", :bram, membership_id: membership.get(:id), to: world.person(:per)) }
    _, ended = together(-> { advance(post) }, ending)
    advance(post)
    expect(ended).not_to be_a AskFirst::Core::Error
    expect([sent(post), world.stage(post)]).to eq [1, "out"]
  ensure # the places that were handed over are theirs again
    membership.update(ended_at: nil, ended_by: nil)
    db[:route_step_people].where(step_id: world.step(1)).delete
    db[:route_step_people].multi_insert(asked)
  end

  it "two say yes at once: both answers are kept, the post is cleared once" do
    post = world.draft
    world.ask(post, 0)
    world.answer(post, :wren)
    world.ask(post, 1)
    together(-> { world.answer(post, :odile) }, -> { world.answer(post, :per) })
    expect(world.stage(post)).to eq "cleared"
    expect(db[:answers].where(post_id: post, step_id: world.step(1)).select_map(:person_id).uniq.size).to eq 2
  end

  it "a yes and a change at once: the change blocks, whichever was first" do
    post = world.draft
    world.ask(post, 0)
    world.answer(post, :wren)
    world.ask(post, 1)
    together(-> { world.answer(post, :odile) }, -> { world.answer(post, :per, "change", "The time is wrong") })
    expect(world.stage(post)).to eq "changes_wanted"
  end

  it "two write one part at once: one is saved, the other is shown it" do
    post = world.draft(picture: false)
    results =
      together(
        *%i[maro wren].map do |who|
          -> do
            world.act(
              "Posts::UpdatePart",
              who,
              post_id: post,
              channel_id: nil,
              part: "text",
              value: "#{who}'s words",
              version: 1
            )
          end
        end
      )
    expect(results.count(2)).to eq 1
    loser = results.find { |one| one.is_a?(AskFirst::Core::Conflict) }
    expect(loser.facts["theirs"]).to eq db[:parts].where(post_id: post, part: "text").get(:value)
  end

  it "two release at once: one release lives" do
    post = world.draft(channels: [:ticker], picture: false)
    world.clear(post)
    together(-> { world.release(post) }, -> { world.release(post, who: :tobiah) })
    expect(db[:releases].where(post_id: post, ended_at: nil).count).to eq 1
  end
end
