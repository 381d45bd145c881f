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
    together(*Array.new(4) { -> { AskFirst::App::Dispatch::Advance.call(world.kit, process, showing_id: showing) } })
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
          -> { AskFirst::App::Dispatch::Advance.call(world.kit, process, showing_id: showing) },
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
              "Posts::SavePart",
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
