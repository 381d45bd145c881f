# frozen_string_literal: true

require_relative "../support/browser"

# The media of a client in the browser: what only a browser can show.
RSpec.describe "Material" do
  let(:world) { BrowserWorld.world }
  let(:db) { world.db }
  let(:client) { fresh_client }
  let(:address) { "/material?client=#{world.workspace(client)}" }

  def upload(seed, name, **said)
    id = world.act("Media::UploadMedia", :ines, client, io: SpecWorld.picture(seed), name: name)[:id]
    world.act("Media::UpdateMedium", :ines, client, media_id: id, fields: said.transform_keys(&:to_s), version: 1)
    id
  end

  # Files dropped on the page, as a person's hand does.
  def let_fall(session, files)
    session.execute_script(<<~JS, files)
      const dropped = new DataTransfer()
      for (const [name, data] of arguments[0])
        dropped.items.add(new File([Uint8Array.from(atob(data), (one) => one.charCodeAt(0))], name, { lastModified: 1 }))
      document.querySelector('main').dispatchEvent(new DragEvent('drop', { dataTransfer: dropped, bubbles: true, cancelable: true }))
    JS
  end

  def line(session, off)
    limits = { offline: off, latency: 0, downloadThroughput: -1, uploadThroughput: off ? -1 : 2_000_000 }
    session.driver.browser.page.command("Network.emulateNetworkConditions", **limits)
  end

  def files
    noise = Vips::Image.gaussnoise(1_600, 1_000, mean: 128, sigma: 60).cast(:uchar).pngsave_buffer
    small = (1..29).map { |n| ["boat-#{n}.jpg", [Vips::Image.black(40 + n, 30).jpegsave_buffer].pack("m0")] }
    [["large.png", [noise].pack("m0")], *small]
  end

  it "takes 30 files that are dropped, goes on where the line broke, and shows each when it is there" do
    as(:ines) do |session|
      session.visit(address)
      expect(session).to have_content("No file yet.")
      expect(axe_findings(session)).to eq []
      line(session, false)
      let_fall(session, files)
      pieces = -> { Dir[File.join(world.settings.files, world.workspace(client), "uploads/*/*")] }
      eventually { pieces.call.any? { |path| File.size(path) >= 1_000_000 } }
      line(session, true)
      sleep 1
      line(session, false)
      eventually { db[:media].where(workspace_id: world.workspace(client)).count == 30 }
      expect(session).to have_content("30 of 30 are there")
      expect(session).to have_css("[data-media]", text: "large.png")
      expect(session).to have_content("30 in Client")
      expect(pieces.call.reject { |path| path.end_with?(".lock") }).to eq []
    end
  end

  # 24 megapixels, as a camera makes them.
  it "shows a large picture as soon as it was read, without being asked again" do
    large = Vips::Image.gaussnoise(6_000, 4_000, mean: 128, sigma: 20).cast(:uchar).jpegsave_buffer(Q: 60)
    as(:ines) do |session|
      session.visit(address)
      expect(session).to have_content("No file yet.")
      world.act("Media::UploadMedia", :ines, client, io: StringIO.new(large), name: "camera.jpg")
      expect(session).to have_css("[data-media] img[src*='/thumb']", wait: 20)
      eventually { session.evaluate_script("document.querySelector('[data-media] img').naturalWidth") == 400 }
      expect(session).to have_content("6000 × 4000")
    end
  end

  it "a film begins where it is told to, is shown by a chosen picture, and comes by itself when it is made" do
    film =
      Dir.mktmpdir do |dir|
        path = File.join(dir, "film.mp4")
        system(
          *%W[ffmpeg -v error -f lavfi -i testsrc=size=320x240:rate=10:duration=6 -pix_fmt yuv420p #{path}],
          exception: true
        )
        File.open(path, "rb") { |io| world.act("Media::UploadMedia", :ines, client, io: io, name: "pier.mp4") }[:id]
      end
    as(:ines) do |session|
      session.visit(address)
      session.find("[data-media]").click
      session.click_button("Edit …")
      expect(axe_findings(session)).to eq []
      session.execute_script("document.querySelector('video').currentTime = 2.5")
      expect(session).to have_content("At 0:02.5")
      session.click_button("Show it by this picture")
      expect(session).to have_content("It is shown by this picture from now on.")
      session.click_button("It begins here")
      session.check("Without sound")
      session.click_button("Make it")
      expect(session).to have_content("It is being made, and comes by itself.")
      expect(session).to have_css("[data-media]", text: "0:04 · 320 × 240", wait: 30)
    end
    expect(db[:media].where(id: film).get(%i[cover_ms number])).to eq [2_500, 1]
    newer = db[:media].where(workspace_id: world.workspace(client), number: 2).first
    expect(newer[:edit].to_h).to eq("start" => 2_500, "mute" => true)
  end

  it "is found, sorted and said more of by keys, and what is said stays" do
    lamp = upload(1, "fog-lamp.jpg")
    upload(2, "pier.jpg", description: "An empty pier")
    world.act("Media::SaveFolder", :ines, client, name: "Boats")
    as(:ines) do |session|
      session.visit(address)
      session.fill_in("Find media by words", with: "empty")
      expect(session).to have_css("[data-media]", count: 1, text: "pier.jpg")
      session.fill_in("Find media by words", with: "")
      session.execute_script("arguments[0].focus()", session.find("[data-media='#{lamp}']"))
      keys = session.driver.browser.keyboard
      keys.type(:enter)
      expect(session).to have_field("What is written on it")
      session.fill_in("Description, for people who cannot see it", with: "A lamp in fog")
      session.click_button("add a box")
      eventually { db[:media].where(id: lamp).get(%i[description covered]) == ["A lamp in fog", 36_000] }
      session.execute_script("arguments[0].focus()", session.find("button.box"))
      keys.type(%i[shift right])
      eventually { db[:media].where(id: lamp).get(:covered) == 37_200 }
      expect(axe_findings(session)).to eq []
      pick("Boats", from: "Folder", session: session)
      eventually { db[:media].where(id: lamp).get(:folder_id) }
      expect(session).to have_css("button", text: /Boats\s*1/)
    end
  end

  it "goes into a post out of the sheet, with its description" do
    lamp = upload(1, "fog-lamp.jpg", description: "A lamp in fog")
    post = plain_post(client, connected(client))
    as(:ines) do |session|
      session.visit("/w/#{world.workspace(client)}/posts/#{post}")
      session.click_button("From the media", match: :first)
      session.find("[role=dialog] [data-media='#{lamp}']").click
      expect(axe_findings(session)).to eq []
      session.click_button("Put 1 file into the post")
      master = ->(part) { db[:parts].where(post_id: post, channel_id: nil, part: part).get(:value) }
      eventually { master.call("media") == [lamp] && master.call("descriptions") == { lamp => "A lamp in fog" } }
      expect(session).to have_field("Description of picture 1", with: "A lamp in fog", match: :first)
    end
  end

  it "a set is cut to one shape at once, goes into a post, and a newer version is refused by its seal" do
    one_step_route(client)
    channel = connected(client, "vitrine")
    upload(1, "boat.jpg", description: "A boat")
    upload(2, "pier.jpg", description: "A pier")
    here = { workspace_id: world.workspace(client) }
    as(:ines) do |session|
      session.visit(address)
      session.check("Choose boat.jpg")
      session.check("Choose pier.jpg")
      session.click_button("Edit them together …")
      session.click_button("square")
      expect(session).to have_css("[aria-pressed='true']", exact_text: "square")
      session.fill_in("A line of words", with: "Night boats")
      eventually { session.find(".seen img")["src"].start_with?("blob:") }
      expect(axe_findings(session)).to eq []
      session.click_button("Undo the last step")
      expect(session).to have_field("A line of words", with: "")
      expect(session).to have_css("[aria-pressed='true']", exact_text: "square")
      session.click_button("Make it")
      expect(session).to have_content("2 pictures are made.")
      made = db[:media].where(**here, number: 2).all
      expect(made.map { |row| row[:width] == row[:height] }).to eq [true, true]
      expect(made.map { |row| row[:edit].to_h }).to all(eq("frame" => { "shape" => [1, 1] }))
      session.check("Choose boat.jpg")
      session.check("Choose pier.jpg")
      session.click_button("Make a post of them")
      eventually { db[:posts].where(here).count == 1 }
      post = db[:posts].where(here).get(:id)
      eventually { db[:parts].where(post_id: post, part: "descriptions").any? }
      world.act("Posts::ChooseChannels", :ines, client, post_id: post, channel_ids: [channel])
      world.write(post, "time", { "wall" => "2026-10-20T09:00", "zone" => "Europe/Lisbon" }, who: :ines, client: client)
      step = db[:route_steps].where(here).order(:position).get(:id)
      due = world.environment.now + 86_400
      world.act("Signoff::SendAsk", :ines, client, step_id: step, post_ids: [post], due_at: due, message: "")
      boat = db[:media].where(**here, number: 2, name: "boat.jpg").get(:id)
      session.visit("#{address}&file=#{boat}")
      session.click_button("Edit …")
      # on a busy machine the page may still have been coming when it was pressed
      session.click_button("Edit …") unless session.has_button?("A quarter turn", wait: 20)
      session.click_button("A quarter turn")
      expect(session).to have_content("unlock it there first")
      session.click_button("Make it")
      expect(session).to have_content("Versions")
      # the post keeps what was asked for
      expect(db[:parts].where(post_id: post, part: "media").get(:value).to_a).to include boat
      expect(
        begin
          newest = db[:media].where(**here, name: "boat.jpg", replaced_by: nil).get(:id)
          world.act(
            "Posts::UpdatePart",
            :ines,
            client,
            post_id: post,
            channel_id: nil,
            part: "media",
            value: [newest],
            version: 1
          )
        rescue AskFirst::Core::Conflict => e
          e.code
        end
      ).to eq "sealed"
    end
  end
end
