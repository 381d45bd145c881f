# frozen_string_literal: true

# Many posts released at once: what can be is, what cannot is said for each, and nobody reaches further than with one.
RSpec.describe "Releasing many at once" do
  let(:ines) { ApiWorld.client(:ines) }
  let(:at) { "/api/w/#{world.workspace}/releases" }

  def cleared(**more) = world.draft(**more).tap { |post| world.clear(post) }
  def release(client, *posts) = client.call(:post, at, { post_ids: posts })

  it "releases what can be, each as one alone would be, and says of the others why not" do
    first = cleared
    second = cleared(channels: [:ticker])
    draft = world.draft(picture: false)
    status, body = release(ines, first, draft, second)
    expect([status, body["released"]]).to match [200, contain_exactly(first, second)]
    expect(body["left"]).to match [
            a_hash_including(
              "post_id" => draft,
              "code" => "not_cleared",
              "sentence" => /nothing goes out without its yeses/
            )
          ]
    expect([first, second, draft].map { |post| world.stage(post) }).to eq %w[released released drafting]
    expect(db[:releases].where(post_id: [first, second], ended_at: nil).count).to eq 3
    expect(db[:record].where(post_id: [first, second], act: "released").count).to eq 3
    expect(db[:showings].where(post_id: [first, second]).select_map(:due_at).uniq).to eq [Time.utc(2026, 10, 15, 6, 30)]
  end

  it "twice at once there is one release of each" do
    posts = Array.new(3) { cleared(channels: [:ticker]) }
    clients = [ApiWorld.client(:ines), ApiWorld.client(:tobiah)]
    answers = clients.map { |client| Thread.new { release(client, *posts) } }.map(&:value)
    expect(answers.map(&:first)).to eq [200, 200]
    expect(answers.flat_map { |_, body| body["released"] }).to match_array posts
    expect(db[:releases].where(post_id: posts, ended_at: nil).count).to eq 3
  end

  it "is nobody's whose role does not release, and no post of another client is there" do
    post = cleared
    status, body = release(ApiWorld.client(:maro), post)
    expect([status, body["code"]]).to eq [403, "not_yours"]
    other = world.draft(client: :brackwater, picture: false)
    expect(release(ines, post, other).first).to eq 404
    expect(world.stage(post)).to eq "cleared"
  end

  it "takes a hundred at most, and the ids must be some" do
    expect(release(ines, *Array.new(101) { SecureRandom.uuid }).first).to eq 422
    expect(release(ines).first).to eq 422
    expect(release(ines, "none").first).to eq 404
  end
end
