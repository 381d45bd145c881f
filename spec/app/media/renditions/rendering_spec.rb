# frozen_string_literal: true

# What goes out is cut before anybody is asked, by a job; the same files are shown, asked and sent.
RSpec.describe "Pictures that are made ready to go out" do
  let(:client) { fresh_client }
  let(:ticker) { connected(client) }
  let(:post) { plain_post(client, ticker) }
  let(:boat) { world.act("Media::UploadMedia", :ines, client, io: SpecWorld.picture, name: "boat.jpg")[:id] }

  def queued = db[:que_jobs].where(job_class: "AskFirst::Jobs::RenderAhead").where(Sequel.lit("args ->> 1 = ?", post))
  def ahead = AskFirst::App::Media::RenderAhead.call(world.jobs, process, post_id: post)
  def process = AskFirst::App::Member.process(world.workspace(client), "dispatcher")
  def renditions = db[:renditions].where(media_id: boat)

  it "are cut by a job soon after they were chosen, once, and nothing is cut anew when the post is asked" do
    one_step_route(client)
    post
    queued.delete
    world.write(post, "text", "The late boat waits for the last bus.", who: :ines, client: client)
    expect(queued.count).to eq 0
    world.write(post, "media", [boat], who: :ines, client: client)
    expect(queued.count).to eq 1
    2.times { ahead }
    made = renditions.select_map(%i[id digest])
    expect(made.size).to eq 1
    allow(world.environment.media).to receive(:render).and_raise("cut anew")
    step = db[:route_steps].where(workspace_id: world.workspace(client)).order(:position).get(:id)
    world.act(
      "Signoff::SendAsk",
      :ines,
      client,
      step_id: step,
      post_ids: [post],
      due_at: world.environment.now + 86_400
    )
    expect(db[:revision_adaptations].where(post_id: post).get(:rendition_ids).to_a).to eq [made[0][0]]
  end

  it "are named with what is wrong and the mend where one cannot be cut; the job does not fail for ever" do
    world.write(post, "media", [boat], who: :ines, client: client)
    path = world.environment.files.path(db[:media].where(id: boat).get(:file))
    whole = File.binread(path)
    File.binwrite(path, whole[0, 3_000])
    expect(ahead).to be true
    expect { AskFirst::App::Media::Render.call(world.jobs, process, post_ids: [post]) }.to raise_error(
      AskFirst::Core::Conflict,
      "“boat.jpg” cannot be made ready to go out. The picture's data is broken or cut off."
    )
    File.delete(path)
    expect { AskFirst::App::Media::Render.call(world.jobs, process, post_ids: [post]) }.to raise_error(
      AskFirst::Core::Conflict,
      /It is not where it was put/
    )
    File.binwrite(path, whole)
    ahead
    expect(renditions.count).to eq 1
  end
end
