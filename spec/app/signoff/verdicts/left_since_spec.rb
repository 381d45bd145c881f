# frozen_string_literal: true

# A yes counts when its giver could give it then, whatever became of their membership; the sheet says so.
RSpec.describe "An answer of somebody who has left since" do
  def holds(post) =
    world.act("Posts::PostSheet", :ines, post_id: post)[:answers].to_h { |one| [one[:person], one[:holds]] }

  def leave(who)
    db[:memberships].where(workspace_id: world.workspace, person_id: world.person(who)).update(
      ended_at: world.environment.now
    )
    yield
  ensure
    db[:memberships].where(workspace_id: world.workspace, person_id: world.person(who)).update(ended_at: nil)
  end

  it "is a yes that counts, with one sentence" do
    post = world.draft
    world.clear(post)
    expect(holds(post).values.compact).to eq []
    leave(:wren) do
      expect(world.post_state(post).stage).to eq "cleared"
      expect(holds(post).compact).to eq(
        "Wren Adeyo" => "Wren has left since; the yes was given by somebody who could give it then, and counts."
      )
    end
  end

  it "is a change that still blocks, with another" do
    post = world.draft
    world.ask(post, 0)
    world.answer(post, :wren, "change", "Shorter")
    leave(:wren) do
      expect(
        holds(post)["Wren Adeyo"]
      ).to start_with "Wren has left since; it blocks until this step is asked again about other content"
    end
  end
end
