# frozen_string_literal: true

# A lead sets up a client: in the interface, over the network's own consent pages, with real mails.
RSpec.describe "Setting up a client and keeping it apart" do
  let(:world) { BrowserWorld.world }
  let(:db) { world.db }
  let(:stand_ins) { Infrastructure.stand_ins[:url] }

  def mail_link(email, path)
    link = nil
    eventually do
      mails = JSON.parse(Net::HTTP.get(URI("#{stand_ins}/mail/#{email}.json")))
      link = mails.filter_map { |mail| mail["text"][%r{http://\S+/#{path}#/?\S+}] }.first
    end
    link
  end

  def workspace(name) = db[:workspaces].where(name: name).get(:id)

  it "a lead sets one up in five steps, leaves in the middle, and goes on from the Desk" do
    world.world.visitor.add_person("guildhall", "tarn", { tarn: "Tarn Mills", tarnjobs: "Tarn Mills jobs" })
    as(:ines) do
      find("button.client").click
      click_link("Set up a new client")
      fill_in("Name", with: "Tarn Mills")
      expect(page).to have_field("Initials", with: "TM")
      fill_in("Time zone", with: "Mars/Base")
      click_button("Create the client")
      expect(page).to have_css(".field.bad", text: "Time zone")
      fill_in("Time zone", with: "Europe/Vienna")
      click_button("Create the client")

      # 2: days and hours
      expect(page).to have_css("[aria-label='Set-up'] li[aria-current=step]", text: "Days and hours")
      pick("Austria", from: "Public holidays")
      click_button("Save the settings")
      expect(page).to have_content("Nationalfeiertag")
      click_button("Next: sign-off route")

      # 3: the route from a preset, and left
      click_button("The client says yes")
      fill_in("Name", with: "Ada's yes")
      visit(page.current_path) # a closed tab loses nothing
      expect(page).to have_field("Name", with: "Ada's yes")
      click_button("Save the route")
      expect(page).to have_content("nobody is named yet")
      visit("/desk")
      click_link("Go on with Tarn Mills")
      expect(page).to have_css("li[aria-current=step]", text: "Sign-off route")
      click_button("Next: first channel")

      # 4: to the network, sign in, allow, come back, tick
      click_button("Add a channel")
      find("button.network", text: "Guildhall").click
      expect(page).to have_content("Sign in at Guildhall")
      expect(page).to have_current_path(/code_challenge_method=S256/, url: true)
      fill_in("login", with: "tarn")
      fill_in("password", with: "stand-in")
      click_button("Sign in")
      click_button("Allow")
      expect(page).to have_content("Which of these belong to Tarn Mills?")
      expect(page).to have_no_current_path(/code=/, url: true)
      uncheck("Tarn Mills jobs", allow_label_click: true)
      click_button("Add it")
      expect(page).to have_css("td", text: "Connected on the consent of Ines Calloway.")
      expect(page).to have_no_content("Tarn Mills jobs")
      click_button("Next: first people")

      # 5: several at once; the typo is shown, the good ones are kept
      click_button("Invite")
      fill_in("Mail addresses", with: "Ada Tarn <ada@tarn.example>, no-at-sign, ben@tarn.example")
      pick("client approver", from: "Role here")
      expect(page).to have_content("answers by links in mails")
      click_button("Send the invitations")
      expect(page).to have_content("2 invited:")
      expect(page).to have_content("no-at-sign Has no @.")
      expect(page).to have_field("Mail addresses", with: "no-at-sign")
      click_button("Done")
      expect(page).to have_css("tr", text: "ada@tarn.example")
      expect(page).to have_content("pending until", count: 2)
      click_button("Set-up is done")
      expect(page).to have_no_css("[aria-label='Set-up']")
    end

    # the client's person, on another device: no account, no password
    Capybara.using_session("ada") do
      visit(mail_link("ada@tarn.example", "invitation"))
      expect(page).to have_content("Ines Calloway invites you")
      expect(page).to have_no_field("A password")
      expect(page).to have_current_path("/invitation", url: false)
      expect(axe_findings(page)).to eq []
      fill_in("Your name", with: "Ada Tarn")
      click_button("Accept")
      expect(page).to have_content("no password")
    end
    as(:ines) do
      expect(page).to have_css("tr", text: "Ada Tarn").or have_content("Tarn Mills")
      visit("/w/#{workspace("Tarn Mills")}/client/people")
      expect(page).to have_css("tr", text: "Ada Tarn")
      expect(page).to have_content("pending until", count: 1)
    end
  end

  it "a network that says no, and one from which nobody comes back, leave everything as it was" do
    world.world.visitor.add_person("commons", "quill", { quillpage: "Quillmere page" })
    as(:ines) do
      visit("/w/#{world.workspace}/client/channels")
      click_button("Add a channel")
      find("button.network", text: "Commons").click
      click_button("Do not allow")
      expect(page).to have_content("Nothing was connected")
      expect(page).to have_content("You did not allow it at Commons")
      click_link("Back to the channels")
      expect(page).to have_no_css("td", text: "Quillmere page")
      click_button("Add a channel")
      find("button.network", text: "Commons").click
      expect(page).to have_content("Sign in at Commons")
      visit("/w/#{world.workspace}/client/channels") # never came back
      expect(page).to have_no_css("td", text: "Quillmere page")
    end
  end

  it "a freelancer is invited with an end and one channel, accepts, and finds exactly their part" do
    as(:ines) do
      visit("/w/#{world.workspace}/client/people")
      expect(page).to have_button("Invite")
      page.send_keys("i")
      fill_in("Mail addresses", with: "noor@freelance.example")
      pick("video editor", from: "Role here")
      choose("only these", allow_label_click: true)
      check("Vitrine", allow_label_click: true)
      write_over("invite-until", "31 Dec 2026")
      click_button("Send the invitations")
      expect(page).to have_content("1 invited:")
      click_button("Done")
    end
    hidden = world.draft(channels: [:ticker])
    shown = world.draft(channels: %i[ticker vitrine])
    Capybara.using_session("noor") do
      visit(mail_link("noor@freelance.example", "invitation"))
      fill_in("Your name", with: "Noor Vance")
      fill_in("A password", with: "short")
      click_button("Accept")
      expect(page).to have_css(".field.bad", text: "A password")
      expect(page).to have_field("Your name", with: "Noor Vance")
      fill_in("A password", with: "rain on the seventh pier")
      click_button("Accept")
      expect(page).to have_css("nav[aria-label=Sections]")
      expect(page).to have_no_css("nav[aria-label=Sections]", text: "Agency")
      visit("/w/#{world.workspace}/posts/#{shown}")
      expect(page).to have_css("section[aria-label='On Vitrine']")
      expect(page).to have_no_css("section[aria-label='On Ticker']")
      expect(page).to have_content("and 1 more that are not yours")
      visit("/w/#{world.workspace}/posts/#{hidden}")
      expect(page).to have_content("not here, or not yours to see")
      # what they may not do is off, with the reason and who can
      visit("/w/#{world.workspace}/client/people")
      expect(why_off("Invite")).to include "Ines Calloway"
      visit(mail_link("noor@freelance.example", "invitation"))
      expect(page).to have_content("has been accepted already")
    end
    row = db[:memberships].where(person_id: db[:people].where(email: "noor@freelance.example").get(:id)).first
    expect(row[:access_until]).to eq Time.utc(2027, 1, 1)
  end

  it "settings changed by two at once: the second sees both and keeps their typing" do
    as(:ines) do
      visit("/w/#{world.workspace}/client/rules")
      expect(page).to have_field("Name", with: "Quillmere Ferries")
      fill_in("Initials", with: "Qf")
      row = db[:workspaces].where(id: world.workspace).first
      world.act("Clients::UpdateSettings", :bram, version: row[:version], edge: "#224466")
      click_button("Save the settings")
      expect(page).to have_content("changed these settings meanwhile")
      expect(page).to have_field("Initials", with: "Qf")
      click_button("Keep mine")
      eventually { db[:workspaces].where(id: world.workspace).get(:initials) == "Qf" }
    end
  ensure
    row = db[:workspaces].where(id: world.workspace).first
    world.act("Clients::UpdateSettings", :bram, version: row[:version], initials: "QF", edge: "#1D5C74")
  end

  it "the brand sheet is written part by part, and read beside the post" do
    as(:ines) do
      visit("/w/#{world.workspace}/client")
      expect(page).to have_content("Brand sheet")
      within("section[aria-label=Voice]") do
        find("textarea").set("A deckhand who has time.")
        click_button("Save voice")
        expect(page).to have_no_content("not saved yet")
      end
      { 1 => "#1D5C74", 2 => "#F5F3EC" }.each do |number, hex|
        click_button("Add a colour")
        fill_in("Hex of colour #{number}", with: hex)
      end
      click_button("Save colours")
      # by WCAG 2.2's formula, from memory and computed apart from the product's own
      expect(page).to have_css("li", text: "6.67 : 1")
    end
    expect(
      db[:brand_parts].where(workspace_id: world.workspace, part: "voice").get(:value)
    ).to eq "A deckhand who has time."
    post = world.draft(wall: "2026-10-20T07:30")
    as(:maro) do
      visit("/w/#{world.workspace}/posts/#{post}")
      sheet = find_button("Brand sheet")
      sheet.click unless sheet["aria-expanded"] == "true"
      expect(page).to have_content("A deckhand who has time.")
    end
  end
end
