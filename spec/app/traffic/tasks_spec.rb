# frozen_string_literal: true

RSpec.describe "Production tasks" do
  let(:post) { world.draft(picture: false) }

  def assign(who = :ines, **more)
    input = {
      post_id: post,
      kind: "picture",
      title: "Picture of the fog",
      person_id: world.person(:sunniva),
      due: {
        "wall" => "2026-10-14T16:00",
        "zone" => "Europe/Lisbon"
      }
    }
    world.act("Traffic::AssignTask", who, **input, **more)
  end

  def code
    yield
    nil
  rescue AskFirst::Core::Error => e
    [e.code, e.field]
  end

  it "are assigned by a lead, done by their person, and stand on the record" do
    id = assign
    world.act("Traffic::FinishTask", :sunniva, task_id: id)
    expect(world.acts(post).last(2)).to eq %w[task_assigned task_done]
    expect(db[:tasks].where(id: id).get(:done_by)).to eq world.person(:sunniva)
  end

  it "are refused at the field that is wrong" do
    expect(code { assign(title: " ") }).to eq %w[words_needed title]
    expect(code { assign(kind: "dance") }).to eq %w[bad_kind kind]
    expect(code { assign(due: { "wall" => "2026-10-01T16:00", "zone" => "Europe/Lisbon" }) }).to eq %w[due_past due]
    expect(code { assign(person_id: world.person(:odile)) }).to eq %w[not_a_worker person_id]
    expect(code { assign(:maro) }).to eq ["not_yours", nil]
  end

  it "cannot be finished by somebody else, nor twice" do
    id = assign
    expect(code { world.act("Traffic::FinishTask", :maro, task_id: id) }).to eq ["not_yours", nil]
    world.act("Traffic::FinishTask", :ines, task_id: id)
    expect(code { world.act("Traffic::FinishTask", :sunniva, task_id: id) }).to eq ["done_already", nil]
  end

  it "announce themselves to open pages, with nothing of their content" do
    id = assign
    world.act("Traffic::FinishTask", :sunniva, task_id: id)
    expect(world.environment.bus.heard.last).to eq [world.workspace, { what: "tasks", ids: [post] }]
  end
end

RSpec.describe "Talk" do
  it "has two rooms that never mix" do
    post = world.draft
    world.act("Talk::Say", :maro, post_id: post, room: "house", words: "Frank words")
    expect { world.act("Talk::Say", :odile, post_id: post, room: "house", words: "hello") }.to raise_error(
      AskFirst::Core::NotFound
    )
    expect { world.act("Talk::Say", :odile, post_id: post, room: "client", words: "hello") }.to raise_error(
      AskFirst::Core::NotFound
    ) # nothing was shared yet
    world.ask(post, 0)
    world.answer(post, :wren)
    world.ask(post, 1)
    world.act("Talk::Say", :odile, post_id: post, room: "client", words: "A question")
    expect(db[:remarks].where(post_id: post).select_map(:room)).to match_array %w[house client]
  end
end
