# frozen_string_literal: true

# Writing on the post sheet: what a copywriter, a designer and a lead do there all day.
RSpec.describe "Writing a post" do
  let(:world) { BrowserWorld.world }
  let(:db) { world.db }

  def sheet(post) = "/w/#{world.workspace}/posts/#{post}"
  def value(post, part, on = nil) =
    db[:parts].where(post_id: post, part: part, channel_id: on && world.channel(on)).get(:value)
  def column(network) = find("section[aria-label='On #{network}']")

  def open_sheet(post)
    visit(sheet(post))
    expect(page).to have_css("[aria-label='Master copy']")
  end

  it "marks what is over the limit where it stands, as it is typed, by the count of the strictest channel" do
    post = world.draft(wall: "2026-11-20T07:30")
    as(:maro) do
      open_sheet(post)
      write_copy("Master copy", "#{"The boat waits for you. " * 13}And then it goes.")
      expect(page).to have_css(".master .over-limit")
      expect(find(".master .over-limit")[:title]).to eq "Over the limit of Ticker from here: 329 of 300"
      expect(find(".master .over-limit").text.length).to eq 29
      expect(column("Ticker")).to have_content("329 of 300")
      write_copy("Master copy", "The boat waits.")
      expect(page).to have_no_css(".over-limit")
      eventually { value(post, "text") == "The boat waits." }
    end
  end

  it "a part of a channel's own is set back with one key, and comes back with one click" do
    post = world.draft(wall: "2026-10-20T12:50")
    world.write(post, "text", "Only for the ticker: the 7:20 waits.", on: :ticker)
    own = -> { db[:parts].where(post_id: post, part: "text", channel_id: world.channel(:ticker)).get(:value) }
    as(:ines) do |session|
      session.visit("/w/#{world.workspace}/posts/#{post}")
      column = session.find("section[aria-label='On Ticker']")
      column.find_button("change one … on Ticker").native.node.focus # what follows: nothing to set back
      session.send_keys("f")
      column.find_button("follow master").native.node.focus
      expect(own.call).to eq "Only for the ticker: the 7:20 waits."
      session.send_keys("f")
      expect(session).to have_css("[role=status]", text: "Ticker follows the master’s text again.")
      eventually { own.call.nil? }
      eventually { session.evaluate_script("document.activeElement.innerText") == "change one …" }
      session.click_button("Undo")
      eventually { own.call == "Only for the ticker: the 7:20 waits." }
      expect(column).to have_content("Own text")
    end
  end

  it "can be asked for on one channel while another still waits for its picture, by button and by key alike" do
    post = world.draft(picture: false, wall: "2026-10-20T11:30")
    as(:ines) do |session|
      session.visit("/w/#{world.workspace}/posts/#{post}")
      expect(session).to have_button("Ask Wren", disabled: false)
      session.send_keys("s")
      expect(session).to have_css(
        "[role=dialog] label",
        text: /Vitrine\s+waits: A picture or a video is needed here, and there is none yet\./
      )
      expect(session).to have_field("Vitrine", disabled: true, checked: false, visible: :all)
      session.click_button("Send the ask")
      expect(session).to have_no_css("[role=dialog]")
      eventually { world.stages(post) == { ticker: "internal_review", vitrine: "drafting" } }
      expect(why_off("Ask Wren", session)).to include "picture"
      session.execute_script("document.activeElement.blur()")
      2.times { session.send_keys("s") }
      expect(session).to have_no_css("[role=dialog]")
    end
  ensure
    line = post && world.line(post)
    world.act("Signoff::WithdrawAsk", :ines, ask_id: line[:ask_id]) if line # nothing is left waiting on anybody's Desk
  end

  it "lists what to look at once, and mends in one click what can be mended so" do
    post = world.draft(text: "Fog. #quillmere and #Quillmere", wall: "2026-11-21T07:30")
    as(:maro) do
      open_sheet(post)
      checks = find("section[aria-label='Checks']")
      expect(checks).to have_content("#quillmere is there twice.")
      checks.click_button("take the repeats out")
      expect(checks).to have_no_content("there twice")
      eventually { value(post, "text") == "Fog. #quillmere and" }
    end
  end

  it "leads to the place where something is mended by hand: the description that is missing" do
    post = world.draft(wall: "2026-11-21T09:30")
    picture = world.act("Media::UploadMedia", :sunniva, io: SpecWorld.picture(6), name: "second.jpg")[:id]
    world.write(post, "media", [*value(post, "media"), picture], who: :sunniva)
    as(:maro) do
      open_sheet(post)
      find("section[aria-label='Checks']").click_button("describe")
      expect(page).to have_css("#description-#{picture}-master:focus")
    end
  end

  it "opens the address where a link has none" do
    client = fresh_client("Tarn Boats")
    post = plain_post(client, connected(client, "guildhall"))
    world.act(
      "Posts::UpdatePart",
      :ines,
      client,
      post_id: post,
      channel_id: nil,
      part: "format",
      value: "link",
      version: 0
    )
    as(:ines) do
      visit("/w/#{world.workspace(client)}/posts/#{post}")
      checks = find("section[aria-label='Checks']")
      expect(checks).to have_content("A link with its card needs its address.")
      checks.click_button("give the address")
      fill_in("Address", with: "http://quillmere.example/lamp")
      expect(checks).to have_no_content("needs its address")
      eventually do
        db[:parts].where(post_id: post, part: "link").get(:value).to_h["address"] == "http://quillmere.example/lamp"
      end
    end
  end

  it "spreads a flood out in one click, and names what is fine" do
    post = world.draft(wall: "2026-11-21T10:30")
    as(:ines) do
      open_sheet(post)
      checks = find("section[aria-label='Checks']")
      expect(checks).to have_content("Nearly the same words go out on Ticker and Vitrine in the same minute.", count: 1)
      expect(page).to have_css("[role=img][aria-label='Times of the channels: all 2 in the same minute']")
      checks.click_button("spread out: Vitrine at 10:50")
      expect(checks).to have_no_content("Nearly the same words")
      expect(page).to have_css("[role=img][aria-label='Times of the channels: spread over 20 min']")
      expect(value(post, "time", :vitrine)["wall"]).to start_with "2026-11-21T10:50"
      checks.find("summary", text: /looked at is fine|others are fine/).click
      expect(checks).to have_content("length · hashtags")
    end
  end

  it "keeps two descriptions that were written one right after the other" do
    post = world.draft(wall: "2026-11-21T12:30")
    second = world.act("Media::UploadMedia", :sunniva, io: SpecWorld.picture(6), name: "second.jpg")[:id]
    world.write(post, "media", [*value(post, "media"), second], who: :sunniva)
    as(:maro) do
      open_sheet(post)
      fields = (1..2).map { |number| find_field("Description of picture #{number}") }
      fields.zip(["A ferry at dawn", "A pier at dusk"]) { |field, words| field.set(words) }
      page.send_keys(:tab)
      eventually { value(post, "descriptions").values.sort == ["A ferry at dawn", "A pier at dusk"] }
      expect(page).to have_no_content("changed this meanwhile")
    end
  end

  it "keeps an order that was made by quick clicks, and says in names what somebody else made of it" do
    post = world.draft(wall: "2026-11-21T14:30")
    more =
      [6, 7].map do |seed|
        world.act("Media::UploadMedia", :sunniva, io: SpecWorld.picture(seed), name: "p#{seed}.jpg")[:id]
      end
    first = value(post, "media").first
    world.write(post, "media", [first, *more], who: :sunniva)
    as(:sunniva) do
      open_sheet(post)
      within(".master") do
        click_button("Move picture 1 later")
        click_button("Move picture 2 later")
        eventually { value(post, "media") == [*more, first] }
        expect(page).to have_no_content("changed this meanwhile")
        page.driver.browser.network.emulate_network_conditions(offline: true)
        click_button("Move picture 1 later")
        world.write(post, "media", [first, more.last], who: :ines)
        page.driver.browser.network.emulate_network_conditions(offline: false)
        expect(page).to have_content("Ines Calloway changed this meanwhile to boat.jpg, p7.jpg")
        click_button("Use theirs")
        expect(page).to have_css("figure", count: 2)
      end
    end
  end

  it "gives a channel parts of its own, and sets them all back at once" do
    post = world.draft(wall: "2026-11-22T07:30")
    world.write(post, "text", "Fog? The 7:20 waits.", on: :ticker)
    as(:ines) do
      open_sheet(post)
      within(column("Ticker")) { click_button("change one … on Ticker") }
      find("[role=menuitem]", text: "Link").click
      within(column("Ticker")) do
        fill_in("Address on Ticker", with: "http://quillmere.example/lamp")
        expect(page).to have_content("http://quillmere.example/lamp", minimum: 2)
        eventually { value(post, "link", :ticker) }
        expect(page).to have_content("2 parts of its own")
        click_button("all follow the master")
        expect(page).to have_no_content("Own")
      end
      eventually { db[:parts].where(post_id: post).exclude(channel_id: nil).empty? }
    end
  end

  it "fetches the card of a link from its page, and lets a person write another" do
    client = fresh_client("Marsh Boats")
    guildhall = connected(client, "guildhall")
    post = plain_post(client, guildhall)
    as(:ines) do
      visit("/w/#{world.workspace(client)}/posts/#{post}")
      take_up("Link", at: "add one … to the master")
      fill_in("Address", with: "http://quillmere.example/lamp")
      click_button("Fetch the card from the page")
      expect(page).to have_field("Title of the card", with: "The harbour lamp")
      fill_in("Title of the card", with: "Look at the lamp first")
      expect(page).to have_css(".link-card", text: "Look at the lamp first")
      eventually { value(post, "link")["card"]["title"] == "Look at the lamp first" }
      fetched = value(post, "link")["card"]["picture"]
      Tempfile.create(%w[boat .jpg], binmode: true) do |file|
        file.write(SpecWorld.picture(7).string)
        file.flush
        attach_file("Another picture", file.path, make_visible: true)
        eventually { ![nil, fetched].include?(value(post, "link")["card"]["picture"]) }
      end
      expect(axe_findings).to eq []
    end
  end

  it "offers only what the networks take, and keeps each as it is chosen" do
    client = fresh_client("Reed Boats")
    channels = %w[commons noticeboard vitrine].to_h { |network| [network.to_sym, connected(client, network)] }
    world.world.channels[client] = channels
    post = plain_post(client, channels.values_at(:commons, :noticeboard))
    kept = ->(part) { db[:parts].where(post_id: post, part: part, channel_id: nil).get(:value) }
    as(:ines) do
      visit("/w/#{world.workspace(client)}/posts/#{post}")
      click_button("add one … to the master")
      expect(page).to have_no_css("[role=menuitem]", text: "First comment") # neither of the two takes one
      find("[role=menuitem]", text: "Boost").click
      fill_in("Amount in EUR", with: "forty")
      expect(page).to have_content("Write an amount such as 40.00.")
      fill_in("Amount in EUR", with: "40,50")
      eventually { kept.call("budget") == { "minor" => 4_050, "currency" => "EUR" } }
      take_up("Call to action", at: "add one … to the master")
      pick("Book now", from: "Call to action")
      eventually { kept.call("call_to_action") == "Book now" }
      take_up("Audience", at: "add one … to the master")
      fill_in("Places", with: "Lisbon + 30 km, Almada")
      eventually { kept.call("audience") == { "places" => ["Lisbon + 30 km", "Almada"], "languages" => [] } }
      fill_in("Languages", with: "Portuguese!")
      expect(page).to have_content("is no language tag")
      click_button("Discard mine, show what is saved")
      expect(page).to have_field("Languages", with: "")
      take_up("Format", at: "add one … to the master")
      choose("text alone", allow_label_click: true)
      eventually { kept.call("format") == "text" }
      expect(page).to have_css("section[aria-label^='On ']", text: "Book now", count: 2)
      expect(axe_findings).to eq []
    end
  end

  it "tags somebody on a spot, and keeps their spelling in the book" do
    client = fresh_client("Sedge Boats")
    vitrine = connected(client, "vitrine")
    post = plain_post(client, vitrine)
    picture = world.act("Media::UploadMedia", :ines, client, io: SpecWorld.picture(5), name: "boat.jpg")[:id]
    world.act(
      "Posts::UpdatePart",
      :ines,
      client,
      post_id: post,
      channel_id: nil,
      part: "media",
      value: [picture],
      version: 0
    )
    as(:ines) do
      visit("/w/#{world.workspace(client)}/posts/#{post}")
      take_up("Tagged", at: "add one … to the master")
      find("[role=application]").send_keys(:right, :down)
      fill_in("Who or what", with: "Pier Choir")
      click_button("Tag here")
      eventually do
        db[:parts].where(post_id: post, part: "tagged").get(:value)&.first.to_h.slice("name", "media") ==
          { "name" => "Pier Choir", "media" => picture }
      end
      expect(db[:parts].where(post_id: post, part: "tagged").get(:value).first.values_at("x", "y")).to all(
        be_between(510, 530)
      ) # the middle, and one step on
      checks = find("section[aria-label='Checks']")
      expect(checks).to have_content("Pier Choir cannot be tagged: no spelling for Vitrine.")
      checks.click_button("give a spelling")
      click_button("somebody new")
      fill_in("Name", with: "Pier Choir")
      fill_in("Vitrine", with: "@pier.choir")
      click_button("Save")
      expect(page).to have_content("With @pier.choir")
      expect(page).to have_no_content("cannot be tagged") # the page stands still again
      click_button("Pier Choir")
      eventually { db[:parts].where(post_id: post, part: "text").get(:value).include?("@[Pier Choir]") }
    end
  end

  it "frames a picture by keys, and the proof shows the cut" do
    post = world.draft(wall: "2026-11-23T07:30")
    as(:sunniva) do
      open_sheet(post)
      within(".master") { click_button("Frame picture 1") }
      click_button("square")
      find("[role=application]").send_keys(:right, :right)
      expect(find("[role=application]")[:"aria-label"]).to include("54 % from the left")
      click_button("Done")
      picture = value(post, "media").first
      eventually { value(post, "framing")&.fetch(picture, nil) == { "focus" => [540, 500], "shape" => [1, 1] } }
      expect(column("Ticker").find("figure")[:style]).to include("aspect-ratio: 400 / 400")
    end
  end

  it "says to two people that the other is there, and on which part" do
    post = world.draft(wall: "2026-11-24T07:30")
    as(:wren) { open_sheet(post) }
    as(:maro) do
      open_sheet(post)
      find("[aria-label='Master copy']").click
      expect(page).to have_content("Wren is here too")
    end
    as(:wren) do
      expect(page).to have_content("Maro is here too")
      expect(page).to have_content("Maro Lindqvist is writing here")
      visit("/desk")
    end
    as(:maro) { expect(page).to have_no_content("Wren is here too") }
  end

  it "finds and replaces over the master and every own text" do
    post = world.draft(text: "The boat waits. The boat goes.", wall: "2026-11-25T07:30")
    world.write(post, "text", "Boat? It waits.", on: :ticker)
    as(:maro) do
      open_sheet(post)
      within(".master") { click_button("find") }
      fill_in("Find", with: "boat")
      fill_in("Replace with", with: "ferry")
      expect(find("[role=dialog]")).to have_content("Master 2 times").and have_content("Ticker 1 times")
      click_button("Replace 3 times")
      expect(page).to have_no_css("[role=dialog]")
      expect([value(post, "text"), value(post, "text", :ticker)]).to eq [
           "The ferry waits. The ferry goes.",
           "ferry? It waits."
         ]
    end
  end

  it "keeps note, labels and campaign beside the post, and copies it for other times" do
    post = world.draft(wall: "2026-11-26T07:30")
    as(:ines) do
      open_sheet(post)
      click_button("add a label")
      write_over("label", "Service")
      expect(find("ul[aria-label='Labels']")).to have_content("Service")
      fill_in("Note to the team", with: "Ask the pier master.")
      eventually { db[:posts].where(id: post).get(:note) == "Ask the pier master." }
      click_button("Copy …")
      write_over("copy-0", "1 Dec 2026 7:30")
      click_button("Make the draft")
      expect(page).to have_content("Tue 1 Dec, 7:30")
      expect(page.current_path).not_to eq sheet(post)
      expect(find("ul[aria-label='Labels']")).to have_content("Service")
    end
  end

  it "takes an earlier revision back, after saying what that does" do
    post = world.draft(wall: "2026-11-27T07:30")
    world.ask(post, 0)
    world.act("Posts::OpenPost", :ines, post_id: post, adaptation_ids: world.post_state(post).adaptations.map(&:id))
    world.write(post, "text", "Other words.")
    as(:ines) do
      open_sheet(post)
      click_button("Revisions")
      click_button("Restore revision 1")
      expect(page).to have_content("what stands now stays with its own revision")
      click_button("Restore it")
      expect(page).to have_css("[aria-label='Master copy']", text: "the 7:20 does not guess")
    end
  end

  it "shows a designer why no letter is theirs, and a copywriter why no picture is" do
    post = world.draft(wall: "2026-11-28T07:30")
    as(:sunniva) do
      open_sheet(post)
      expect(find("[aria-label='Master copy']")["aria-readonly"]).to eq "true"
      expect(find("[aria-label='Master copy']")[:title]).not_to be_empty
      expect(page).to have_no_css("[role=toolbar]")
    end
    as(:maro) do
      open_sheet(post)
      expect(why_off("Add another")).to match(/\w/)
      expect(page).to have_css(".master button[aria-label='Frame picture 1'][aria-disabled=true]", visible: :all)
    end
  end
end
