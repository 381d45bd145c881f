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
    world.act("Media::SaveMedium", :ines, client, media_id: id, said: said.transform_keys(&:to_s), version: 1)
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
end
