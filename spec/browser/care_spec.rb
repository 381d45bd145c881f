# frozen_string_literal: true

# What a careful interface owes: nothing typed is lost, keys for all, no finding by axe, narrow and wide.
RSpec.describe "The interface takes care" do
  let(:world) { BrowserWorld.world }
  let(:db) { world.db }

  def sheet(post) = "/w/#{world.workspace}/posts/#{post}"

  def text_of(post)
    db[:parts].where(post_id: post, part: "text", channel_id: nil).get(:value)
  end

  it "keeps what was typed when the connection goes, and saves it when it is back" do
    post = world.draft(wall: "2026-10-20T07:30")
    as(:maro) do |session|
      session.visit(sheet(post))
      expect(session).to have_css("[aria-label='Master copy']")
      session.driver.browser.network.emulate_network_conditions(offline: true)
      write_copy("Master copy", "Typed on the train.", session)
      expect(session).to have_content("no connection")
      session.driver.browser.network.emulate_network_conditions(offline: false)
      eventually { text_of(post) == "Typed on the train." }
    end
  end

  it "shows both times when two chose one, says them as the reader's profile does, and takes none away without a " \
       "word" do
    post = world.draft(wall: "2026-10-20T07:30")
    time = -> { db[:parts].where(post_id: post, part: "time", channel_id: nil).get(:value)&.fetch("wall") }
    as(:ines) do |session|
      session.visit(sheet(post))
      within("section[aria-label='Master copy'], .master") do
        expect(page).to have_field("time-master", with: "Tue 20 Oct 2026, 7:30")
      end
      session.driver.browser.network.emulate_network_conditions(offline: true)
      choose_time("time-master", "2026-10-22T12:10")
      expect(session).to have_content("no connection, trying again")
      world.write(post, "time", { "wall" => "2026-10-21T09:00", "zone" => "Europe/Lisbon" }, who: :tobiah)
      session.driver.browser.network.emulate_network_conditions(offline: false)
      expect(session).to have_content("Tobiah Renn changed this meanwhile to Wed 21 Oct 2026, 9:00")
      session.click_button("Keep mine")
      eventually { time.call == "2026-10-22T12:10:00" }
      choose_time("time-master", "")
      session.click_button("Cancel")
      expect(session).to have_field("time-master", with: "Thu 22 Oct 2026, 12:10")
      choose_time("time-master", "")
      expect(time.call).to eq "2026-10-22T12:10:00"
      session.click_button("Remove the time")
      expect(session).to have_css("header", text: "no time yet")
      expect(time.call).to be_nil
    end
  end

  it "keeps what was typed when the tab is closed before it was saved" do
    post = world.draft(wall: "2026-10-20T07:30")
    as(:maro) do |session|
      session.visit(sheet(post))
      expect(session).to have_css("[aria-label='Master copy']")
      session.driver.browser.network.emulate_network_conditions(offline: true)
      write_copy("Master copy", "Half a sentence", session)
      session.driver.browser.network.emulate_network_conditions(offline: false)
      session.visit("/desk")
      session.visit(sheet(post))
      expect(session).to have_css("[aria-label='Master copy']", text: "Half a sentence")
      eventually { text_of(post) == "Half a sentence" }
    end
  end

  it "shows both when somebody else wrote while the tab with what was typed was closed" do
    post = world.draft(wall: "2026-10-20T07:30")
    as(:maro) do |session|
      session.visit(sheet(post))
      expect(session).to have_css("[aria-label='Master copy']")
      session.driver.browser.network.emulate_network_conditions(offline: true)
      write_copy("Master copy", "Maro's half sentence", session)
      session.driver.browser.network.emulate_network_conditions(offline: false)
      session.visit("/desk")
      world.write(post, "text", "Wren's words", who: :wren)
      session.visit(sheet(post))
      expect(session).to have_content("Wren's words")
      expect(session).to have_css("[aria-label='Master copy']", text: "Maro's half sentence")
      session.click_button("Keep mine")
      eventually { text_of(post) == "Maro's half sentence" }
    end
  end

  it "keeps what was typed when the session ended meanwhile, and saves it after signing in again" do
    post = world.draft(wall: "2026-10-20T07:30")
    as(:dulcie) do |session|
      session.visit(sheet(post))
      expect(session).to have_css("[aria-label='Master copy']")
      db[:account_active_session_keys].where(account_id: world.person(:dulcie)).delete # signed out from elsewhere
      write_copy("Master copy", "Typed after the session ended", session)
      expect(session).to have_field("Mail address")
      session.fill_in("Mail address", with: "dulcie@fernhollow.example")
      session.fill_in("Password", with: Demo::World::PASSWORD)
      session.click_button("Sign in")
      expect(session).to have_css("[aria-label='Master copy']", text: "Typed after the session ended")
      eventually { text_of(post) == "Typed after the session ended" }
    end
  end

  it "shows both when two people change one part, and keeps what is chosen" do
    post = world.draft(wall: "2026-10-20T07:30")
    as(:maro) do |session|
      session.visit(sheet(post))
      expect(session).to have_css("[aria-label='Master copy']")
      session.execute_script("document.getElementById('part-text-master').focus()")
      session.driver.browser.network.emulate_network_conditions(offline: true)
      write_copy("Master copy", "Maro's words", session)
      world.write(post, "text", "Wren's words", who: :wren)
      session.driver.browser.network.emulate_network_conditions(offline: false)
      expect(session).to have_content("Wren Adeyo changed this meanwhile.")
      expect(session).to have_css(".both del", text: "Wren's")
      expect(session).to have_css(".both ins", text: "Maro's")
      session.click_button("Keep mine")
      eventually { text_of(post) == "Maro's words" }
    end
  end

  it "compares an own text with the master, and says when the master moved on and what goes out around it" do
    post = world.draft(wall: "2026-10-20T07:30", text: "The 7:20 waits until the far pier is in sight.")
    world.write(post, "text", "The 7:20 waits in fog until the far pier is in sight.", on: :ticker)
    world.write(post, "text", "The 7:20 waits until the near pier is in sight.")
    as(:maro) do |session|
      session.visit(sheet(post))
      session.within("section[aria-label='On Ticker']") do
        expect(session).to have_content("The master was changed since this was written")
        session.click_button("compare")
        expect(session).to have_css("ins", text: "in fog")
        expect(session).to have_css("del", text: "near")
      end
      expect(axe_findings(session)).to eq []
    end
  end

  it "lays two revisions beside each other, out of what was kept" do
    post = world.draft(wall: "2026-10-20T07:30")
    world.ask(post, 0)
    world.answer(post, :wren, "change", "Say which boat.")
    world.write(post, "text", "When fog sits on the estuary, the late boat does not guess.")
    world.ask(post, 0)
    as(:maro) do |session|
      session.visit(sheet(post))
      session.click_button("Revisions")
      session.click_button("Compare revision 2 with the one before")
      expect(session).to have_css("[role=dialog] ins", text: "late boat", minimum: 1)
      expect(session).to have_css("[role=dialog] del", text: "7:20", minimum: 1)
      expect(axe_findings(session)).to eq []
    end
    world.act("Signoff::WithdrawAsk", :ines, ask_id: world.line(post)[:ask_id]) # nothing of it waits for the next spec
  end

  it "refuses 200,000 characters at the field, with everything still in it" do
    post = world.draft(wall: "2026-10-20T07:30")
    as(:maro) do |session|
      session.visit(sheet(post))
      expect(session).to have_css("[aria-label='Master copy']")
      write_copy("Master copy", "a fog " * 33_333, session)
      expect(session).to have_content("The text has 199998 characters; at most 100000 can be kept.")
      expect(
        session.evaluate_script(
          "JSON.parse(localStorage.getItem(Object.keys(localStorage).find(key => " \
            "key.endsWith(':part:#{post}:master:text')))).value.length"
        )
      ).to eq 199_998
      session.click_button("Discard mine, show what is saved")
      expect(session).to have_css("[aria-label='Master copy']", text: text_of(post))
    end
  end

  it "scrolls no page sideways, on a narrow phone and on half a screen; each has one heading, and a way past the " \
       "masthead" do
    post = world.draft(wall: "2026-10-20T07:30")
    client = "/w/#{world.workspace}/client"
    pages = [
      "/desk",
      "/posts",
      "/dispatch",
      "/plan",
      sheet(post),
      client,
      *%w[people channels sign-off rules record].map { |name| "#{client}/#{name}" },
      "/agency",
      "/agency/roles",
      "/agency/policies",
      "/agency/record",
      "/profile",
      "/clients/new"
    ]
    as(:bram) do |session|
      found =
        [320, 640].flat_map do |width|
          session.driver.resize(width, 800)
          pages.filter_map do |address|
            session.visit(address)
            expect(session).to have_css("h1", visible: :all)
            eventually { session.evaluate_script("document.querySelector('[aria-busy=true]') === null") }
            over, heads, skip =
              session.evaluate_script(
                "[document.documentElement.scrollWidth - innerWidth, document.querySelectorAll('h1').length, " \
                  "!!document.querySelector('a.past-masthead')]"
              )
            [width, address, over, heads, skip] unless [over, heads, skip] == [0, 1, true]
          end
        end
      expect(found).to eq []
    ensure
      session.driver.resize(1280, 800)
    end
  end

  it "works from the keyboard: client by typing, rows by arrows, answers by letters" do
    post = world.draft(wall: "2026-10-20T07:30")
    world.ask(post, 0)
    as(:wren) do |session|
      session.visit("/desk")
      expect(session).to have_content("Waiting for you")
      body = session.find("body")
      body.send_keys("c")
      session.find("input[role=combobox]").send_keys("quill", :enter)
      expect(session).to have_css("button.client", text: "Quillmere Ferries")
      session.find("body").send_keys("?")
      expect(session).to have_content("Keys of this page")
      session.find("body").send_keys(:escape)
      session.visit(sheet(post))
      expect(session).to have_button("Yes, as it stands")
      session.send_keys("y") # aims
      expect(session).to have_css("button.yes:focus")
      expect(world.stage(post)).to eq "internal_review"
      session.send_keys("y")
      expect(session).to have_css("header", text: "client approval")
    end
  end

  it "lets the owner skip a step on record, and tells the lead who can" do
    post = world.draft(wall: "2026-10-20T07:30")
    world.ask(post, 0)
    world.answer(post, :wren)
    as(:ines) do |session|
      session.visit(sheet(post))
      expect(why_off("Instead of “The client's yes” …", session)).to include "Bram Teodoro can."
    end
    as(:bram) do |session|
      session.visit(sheet(post))
      expect(session).to have_css("header", text: "client approval")
      session.click_button("Instead of “The client's yes” …")
      session.fill_in("Why (stays on record, agency side only)", with: "Odile said it on the telephone")
      session.click_button("Do it on record")
      expect(session).to have_css("header", text: "cleared")
    end
  end

  it "says to a stranger of the client what it says for what does not exist" do
    as(:wren) do |session|
      session.visit("/w/#{AskFirst::Core::Uuid.v7(Time.now)}/posts/#{AskFirst::Core::Uuid.v7(Time.now)}")
      expect(session).to have_content("is not here, or not yours to see.")
    end
  end

  it "a dialog takes the focus, keeps the page's keys off, is closed by Esc, and gives the focus back" do
    post = world.draft(wall: "2026-10-20T07:30")
    focused = ->(session, inside) do
      session.evaluate_script("document.activeElement.closest('[role=dialog]') !== null") == inside
    end
    as(:ines) do |session|
      session.visit(sheet(post))
      {
        "Copy …" => "Copy this post",
        "find" => "Find and replace",
        "Ask Wren" => "Ask Wren Adeyo for a yes"
      }.each do |button, title|
        session.find_button(button).native.node.focus
        session.send_keys(:enter)
        expect(session).to have_css("[role=dialog]", text: title)
        eventually { focused.call(session, true) }
        session.execute_script("document.activeElement.blur()") # as a click beside every field does
        session.send_keys("?")
        expect(session).to have_no_content("Keys of this page")
        session.send_keys(:escape)
        expect(session).to have_no_css("[role=dialog]")
        eventually { session.evaluate_script("document.activeElement.innerText").to_s.include?(button.split.first) }
      end
      session.execute_script("document.activeElement.blur()")
      session.send_keys("?")
      expect(session).to have_css("[role=dialog]", text: "Keys of this page")
      eventually { focused.call(session, true) }
      session.send_keys(:escape)
      expect(session).to have_no_css("[role=dialog]")
    end
    expect(world.stage(post)).to eq "drafting"
  end

  it "axe finds nothing on the Desk, the posts, a sheet, its dialogs, and the dispatch log, wide and narrow" do
    post = world.draft(wall: "2026-10-20T07:30")
    world.clear(post)
    found = {}
    as(:ines) do |session|
      [[1280, 800], [390, 800]].each do |width, height|
        session.current_window.resize_to(width, height)
        {
          "/desk" => "Waiting for you",
          "/posts" => "Posts",
          sheet(post) => "Sign-off",
          "/dispatch" => "Next and in flight"
        }.each do |path, words|
          session.visit(path)
          expect(session).to have_content(words)
          sleep 0.4
          found[[path.sub(post, "post"), width]] = axe_findings(session)
        end
      end
      expect(found.reject { |_, findings| findings.empty? }).to eq({})
      session.current_window.resize_to(1280, 800)
      session.visit(sheet(post))
      session.click_button("Unlock …")
      expect(session).to have_content("what this costs")
      expect(axe_findings(session)).to eq []
    end
    Capybara.using_session(:stranger) do
      visit("/sign-in")
      expect(page).to have_button("Sign in")
      expect(axe_findings).to eq []
    end
  end
end
