# frozen_string_literal: true

# The whole path in the real interface and over the real protocols: from first draft to out and verified.
RSpec.describe "One client post, from first draft to out and verified" do
  let(:world) { BrowserWorld.world }
  let(:db) { world.db }

  def wait_for_save
    expect(page).to have_no_content("not saved yet")
    expect(page).to have_no_css("header [role=status]", text: "saving")
  end

  def column(network)
    find("section[aria-label='On #{network}']")
  end

  it "goes through drafting, making, internal review, client approval, release and dispatch" do
    address = nil

    # 1 and 2: the lead makes the post
    as(:ines) do
      find("button.client").click
      find("input[role=combobox]").send_keys("quill")
      expect(page).to have_css("[role=option]", count: 1)
      find("input[role=combobox]").send_keys(:enter)
      expect(page).to have_css("button.client", text: "Quillmere Ferries")
      click_button("New post")
      expect(page).to have_field("Subject line, read by the client in the plan")
      address = page.current_path
      fill_in("Subject line, read by the client in the plan", with: "Fog days, first of all")
      write_copy(
        "Master copy",
        "When fog sits on the estuary, the 7:20 does not guess. #{"It waits until the far pier is in sight. " * 7}"
      )
      check("Ticker")
      check("Vitrine")
      choose_time("time-master", "2026-10-14T18:00")
      wait_for_save
      expect(column("Ticker")).to have_content(/3\d\d of 300/)
      expect(column("Ticker")).to have_content("over the limit; this part cannot go out")
      expect(column("Vitrine")).to have_content("cut here until opened")
      within(column("Ticker")) { click_button("change one … on Ticker") }
      find("[role=menuitem]", text: "Text").click
      within(column("Ticker")) do
        write_copy("Own text for Ticker", "Fog? The 7:20 waits until the far pier is in sight.")
        expect(page).to have_content("51 of 300")
        expect(page).to have_content("Own text")
        click_button("follow master")
        expect(page).to have_content(/3\d\d of 300/)
        click_button("change one … on Ticker")
      end
      find("[role=menuitem]", text: "Text").click
      within(column("Ticker")) do
        write_copy("Own text for Ticker", "Fog? The 7:20 waits until the far pier is in sight.")
        expect(page).to have_content("51 of 300")
      end
      expect(page).to have_content("A picture or a video is needed here")

      # 3: the picture as a task for the designer
      click_button("Assign a task")
      fill_in("What", with: "Picture of the ferry in fog")
      pick("Sunniva Achterberg, designer", from: "Who")
      write_over("task-due", "14 Oct 2026 16:00")
      click_button("Assign it")
      expect(page).to have_content("0 of 1 done")
    end

    as(:sunniva) do
      visit("/desk")
      click_link(text: "Picture of the ferry in fog")
      expect(find("[aria-label='Master copy']")["aria-readonly"]).to eq "true"
      file = File.join(Infrastructure.folder, "ferry.jpg")
      File.binwrite(file, SpecWorld.picture.string)
      first("input[type=file]", visible: :all).set(file)
      fill_in("Description of picture 1", with: "A ferry on grey water under a low moon")
      page.send_keys(:tab)
      expect(page).to have_css("img[alt='A ferry on grey water under a low moon']", minimum: 2)
      click_button("Mark as done")
      expect(page).to have_content("1 of 1 done")
    end

    # the lead sees it without a reload
    as(:ines) do
      expect(page).to have_content("1 of 1 done")
      expect(page).to have_css("img[alt='A ferry on grey water under a low moon']", minimum: 2)

      # 4: internal review; a change, a new revision, asked again
      click_button("Ask Wren")
      click_button("Send the ask")
      expect(page).to have_css("header", text: "internal review")
      expect(find("[aria-label='Master copy']")["aria-readonly"]).to eq "true" # sealed
    end

    as(:wren) do
      visit("/desk")
      click_link(text: "Read: Fog days, first of all")
      click_button("Change this")
      fill_in(
        "What is to be changed (the agency side reads this)",
        with: "Once is enough: it waits until the far pier is in sight."
      )
      click_button("Send this change")
      expect(page).to have_css("header", text: "changes wanted")
    end

    as(:ines) do
      expect(page).to have_content("Once is enough")
      write_copy(
        "Master copy",
        "When fog sits on the estuary, the 7:20 does not guess. It waits until the far pier is in sight, and so does " \
          "your coffee."
      )
      wait_for_save
      expect(column("Vitrine")).to have_content("and so does your coffee.")
      click_button("Ask Wren")
      click_button("Send the ask")
      expect(page).to have_content("revision 2")
    end

    as(:wren) do
      expect(page).to have_button("Yes, as it stands")
      click_button("Yes, as it stands")
      expect(page).to have_css("header", text: "client approval")
    end

    # 5: the client, by mail, on a phone, without an account
    as(:ines) do
      expect(page).to have_button("Ask Odile and Per")
      click_button("Ask Odile and Per")
      fill_in("A message (read by the client)", with: "For this evening.")
      click_button("Send the ask")
      expect(page).to have_content("Odile Marchetti has a link until")
    end

    link = nil
    eventually do
      mails = JSON.parse(Net::HTTP.get(URI("#{Infrastructure.stand_ins[:url]}/mail/odile@quillmere.example.json")))
      link = mails.filter_map { |mail| mail["text"][%r{#{Regexp.escape(Capybara.app_host)}/review/#\S+}] }.first
    end
    phone = another_phone
    phone.driver.browser.page.command("Emulation.setTouchEmulationEnabled", enabled: true, maxTouchPoints: 1)
    phone.driver.browser.page.command(
      "Emulation.setDeviceMetricsOverride",
      width: 390,
      height: 800,
      deviceScaleFactor: 1,
      mobile: true
    )
    phone.visit(link)
    expect(phone).to have_content("Wednesday 14 October, 18:00")
    expect(phone.current_url).not_to include "#" # the pass is out of the address
    expect(phone).to have_content("It appears in two ways")
    expect(phone).to have_no_content("Fog days")
    expect(phone.evaluate_script("document.documentElement.scrollWidth")).to eq 390
    # a yes before every way was seen brings the next one first
    eventually { phone.evaluate_script("[...document.images].every(one => one.complete)") }
    tap_on(phone, phone.find(".two .yes"))
    expect(phone).to have_content(/There is more of it here|This is one you had not seen/)
    expect(axe_findings(phone)).to eq []
    tap_yes(phone)
    expect(phone).to have_content("Thank you, Odile")

    # live: the lead's open page shows it without a reload. 6: cleared and sealed
    as(:ines) do
      expect(page).to have_css("header", text: "cleared")
      click_button("Unlock …")
      expect(page).to have_content("Wren Adeyo and Odile Marchetti will not count on other content.")
      within("[role=dialog]") do
        uncheck("Vitrine")
        click_button("Unlock one channel")
      end
      expect(column("Ticker")).to have_content("unlocked")
      within(column("Ticker")) do
        write_copy("Own text for Ticker", "Fog? The 7:20 waits.")
        expect(page).to have_content("20 of 300")
        expect(page).to have_content("drafting")
      end
      expect(column("Vitrine")).to have_content("cleared")
      within(column("Ticker")) do
        write_copy("Own text for Ticker", "Fog? The 7:20 waits until the far pier is in sight.")
        expect(page).to have_content("51 of 300")
      end
      wait_for_save
      click_button("Lock again")
      expect(page).to have_css("header", text: "cleared")

      # another day needs another yes, and that is said before it is saved
      choose_time("time-master", "2026-10-16T07:30")
      expect(page).to have_content("will not count for that day and must be asked again")
      click_button("Cancel", match: :first)

      # 7: moved within the day, which voids nothing; released, taken back, released
      soon =
        AskFirst::Core::Plan::WallTime.at(world.environment.now + 80, "Europe/Lisbon").wall.strftime("%Y-%m-%dT%H:%M")
      choose_time("time-master", soon)
      expect(page).to have_content("still count")
      click_button("Change the time", match: :first)
      expect(page).to have_no_content("still count")
      click_button("Release")
      expect(page).to have_css("header", text: "released")
      click_button("Cancel the release")
      expect(page).to have_css("header", text: "cleared")
      click_button("Release")
      expect(page).to have_css("header", text: "released")

      # at its time the dispatcher sends it and looks at the network; the page follows without a reload
      click_link("Dispatch")
      expect(page).to have_css("section[aria-label=Out] .seen", text: "verified", count: 2, wait: 240)
      look = find("a[aria-label='View Fog days, first of all on Vitrine']")[:href]
      expect(Net::HTTP.get(URI(look))).to include(
        "and so does your coffee.",
        "alt=\"A ferry on grey water under a low moon\""
      )
    end

    # 8: the record tells the whole story
    as(:ines) do
      visit(address)
      click_button("Record")
      story = find("section[aria-label=Record]")
      [
        "made the post",
        "chose Ticker",
        "gave “Picture of the ferry in fog” to Sunniva Achterberg",
        "finished “Picture of the ferry in fog”",
        "asked for “Read by a colleague”",
        "wanted a change",
        "asked for “The client's yes”",
        "said yes on",
        "unlocked it to change it on Ticker",
        "locked it again on Ticker",
        "released it on Ticker",
        "sent it on Vitrine",
        "it shows as approved"
      ].each { |words| expect(story).to have_content(words) }
      expect(story).to have_content("by link")
    end
  end
end
