# frozen_string_literal: true

require "csv"

# The month: taken to another day by keys, by mouse and by finger, as lead and as one who may not.
RSpec.describe "The month of the plan" do
  let(:world) { BrowserWorld.world }
  let(:db) { world.db }

  def planned(post)
    db[:parts].where(post_id: post, part: "time", channel_id: nil).get(:value)&.fetch("wall")
  end

  def fresh(subject, wall, **more)
    text = "#{subject}: the late boat waits at the #{SecureRandom.hex(6)} pier"
    world
      .draft(wall: wall, text: text, picture: false, **more)
      .tap { |post| world.act("Posts::Rename", :ines, post_id: post, subject: subject, version: 1) }
  end

  def month(session, of: "2027-02", **more)
    narrowed = more.map { |name, value| "&#{name}=#{value}" }.join
    session.visit("/plan?client=#{world.workspace}&day=#{of}-10#{narrowed}")
    expect(session).to have_css("[role=grid]")
  end

  def line(session, subject) = session.find(".plan-line", text: subject)
  def day(session, date) = session.find("[data-place='#{date}']")

  # Where the middle of something is on the screen.
  def middle(session, node)
    box = session.evaluate_script("arguments[0].getBoundingClientRect().toJSON()", node)
    [box["x"] + (box["width"] / 2), box["y"] + 20]
  end

  it "moves by keys: it says before what it does, and can be undone" do
    post = fresh("Lamp walk", "2027-02-10T12:00")
    as(:ines) do |session|
      month(session)
      session.execute_script("arguments[0].focus()", line(session, "Lamp walk"))
      keys = session.driver.browser.keyboard
      keys.type("m")
      keys.type(:right)
      expect(session).to have_css(".move-note", text: "Thu 11 Feb, 12:00 from Wed 10 Feb, 12:00")
      expect(session).to have_css(".move-note", text: "Nothing stands against it.").or have_css(".move-note", text: ":")
      keys.type(:escape)
      expect(session).to have_no_css(".move-note")
      expect(planned(post)).to eq "2027-02-10T12:00:00"
      keys.type("m")
      keys.type(:down)
      expect(session).to have_css(".move-note", text: "Wed 17 Feb, 12:00")
      keys.type(:enter)
      expect(day(session, "2027-02-17")).to have_content("Lamp walk")
      eventually { planned(post) == "2027-02-17T12:00:00" }
      expect(session.evaluate_script("document.activeElement.textContent")).to include("Lamp walk")
      session.click_button("Undo")
      eventually { planned(post) == "2027-02-10T12:00:00" }
      expect(day(session, "2027-02-10")).to have_content("Lamp walk")
    end
  end

  it "moves by mouse, and the click that ends it opens nothing; a click alone opens the post" do
    post = fresh("Pier menu", "2027-02-09T12:00")
    as(:ines) do |session|
      month(session)
      mouse = session.driver.browser.mouse
      from = middle(session, line(session, "Pier menu"))
      to = middle(session, day(session, "2027-02-12"))
      mouse.move(x: from[0], y: from[1]).down
      mouse.move(x: to[0], y: to[1], steps: 6)
      expect(session).to have_css("[data-place='2027-02-12'] .move-note", text: "Fri 12 Feb, 12:00")
      mouse.up
      expect(day(session, "2027-02-12")).to have_content("Pier menu")
      eventually { planned(post) == "2027-02-12T12:00:00" }
      expect(session).to have_current_path("/plan", ignore_query: true)
      line(session, "Pier menu").click
      expect(session).to have_current_path(/post=#{world.workspace}\.#{post}/, url: true)
    end
  end

  it "takes all that are chosen along by mouse, says what comes of them, and brings them back" do
    posts = [fresh("Avocet one", "2027-02-23T12:00"), fresh("Avocet two", "2027-02-24T09:30")]
    as(:ines) do |session|
      session.visit("/plan?client=#{world.workspace}&day=2027-02-23&words=avocet")
      expect(session).to have_css(".plan-line", count: 2)
      session.driver.browser.keyboard.type("a")
      expect(session).to have_content("2 posts are chosen")
      mouse = session.driver.browser.mouse
      from = middle(session, line(session, "Avocet one"))
      to = middle(session, day(session, "2027-02-25"))
      mouse.move(x: from[0], y: from[1]).down
      mouse.move(x: to[0], y: to[1], steps: 6)
      expect(session).to have_css("[data-place='2027-02-25'] .move-note", text: "2 posts, 2 days later")
      mouse.up
      eventually { posts.map { |post| planned(post) } == %w[2027-02-25T12:00:00 2027-02-26T09:30:00] }
      expect(day(session, "2027-02-26")).to have_content("Avocet two")
      session.click_button("Undo")
      eventually { posts.map { |post| planned(post) } == %w[2027-02-23T12:00:00 2027-02-24T09:30:00] }
    end
  end

  it "goes to another channel by mouse and by keys, with what that costs said before" do
    post = fresh("Tern post", "2027-02-03T12:00", channels: [:ticker])
    on = -> { db[:adaptations].where(post_id: post, removed_at: nil).select_map(:channel_id) }
    ticker, vitrine = %i[ticker vitrine].map { |one| world.channel(one) }
    as(:ines) do |session|
      session.visit("/plan?client=#{world.workspace}&day=2027-02-03&view=channels")
      expect(session).to have_css("[data-place='2027-02-03@#{ticker}']", text: "Tern post")
      mouse = session.driver.browser.mouse
      from = middle(session, line(session, "Tern post"))
      to = middle(session, session.find("[data-place='2027-02-04@#{vitrine}']"))
      mouse.move(x: from[0], y: from[1]).down
      mouse.move(x: to[0], y: to[1], steps: 6)
      note = session.find("[data-place='2027-02-04@#{vitrine}'] .move-note")
      expect(note).to have_content("Vitrine, Thu 4 Feb, 12:00")
      expect(note).to have_content("It starts there without a yes.")
      mouse.up
      eventually { on.call == [vitrine] }
      expect(session).to have_css("[data-place='2027-02-04@#{vitrine}']", text: "Tern post")
      session.execute_script("arguments[0].focus()", line(session, "Tern post"))
      keys = session.driver.browser.keyboard
      keys.type("m")
      keys.type(:left)
      expect(session).to have_css("[data-place='2027-02-04@#{ticker}'] .move-note", text: "Ticker")
      keys.type(:enter)
      eventually { on.call == [ticker] }
    end
  end

  it "moves by finger, once it rests on a line" do
    post = fresh("Night boats", "2027-02-16T20:00")
    as(:ines) do |session|
      month(session)
      page = session.driver.browser.page
      from = middle(session, line(session, "Night boats"))
      to = middle(session, day(session, "2027-02-18"))
      touch = ->(kind, *at) do
        points = at.map { |x, y| { x: x, y: y } }
        page.command("Input.dispatchTouchEvent", type: kind, touchPoints: points)
      end
      touch.call("touchStart", from)
      sleep 0.5 # a finger rests
      touch.call("touchMove", [from[0] + 4, from[1] + 4])
      touch.call("touchMove", to)
      expect(session).to have_css("[data-place='2027-02-18'] .move-note")
      touch.call("touchEnd")
      expect(day(session, "2027-02-18")).to have_content("Night boats")
      eventually { planned(post) == "2027-02-18T20:00:00" }
    end
  end

  it "gives what has no time a day out of the tray, and tells who may not why" do
    bare = world.act("Posts::CreatePost", :ines, subject: "Winter letter")
    as(:ines) do |session|
      month(session)
      within(".tray") { expect(page).to have_content("Winter letter") }
      session.execute_script("arguments[0].focus()", line(session, "Winter letter"))
      keys = session.driver.browser.keyboard
      keys.type("m")
      keys.type(:right)
      expect(session).to have_css(".move-note", text: "its first time")
      keys.type(:enter)
      eventually { planned(bare)&.end_with?("T12:00:00") }
    end
    post = fresh("Low tide", "2027-02-23T08:00")
    as(:sunniva) do |session|
      month(session)
      session.execute_script("arguments[0].focus()", line(session, "Low tide"))
      session.driver.browser.keyboard.type("m")
      session.driver.browser.keyboard.type(:right)
      expect(session).to have_css(".move-note", text: "It stays where it is.")
      session.driver.browser.keyboard.type(:enter)
      expect(session).to have_no_css(".move-note")
      expect(planned(post)).to eq "2027-02-23T08:00:00"
    end
  end

  it "walks days and months by keys, has no finding by axe, and fits a phone" do
    fresh("Crew of the week", "2027-02-03T09:30")
    as(:ines) do |session|
      month(session)
      session.execute_script("arguments[0].focus()", day(session, "2027-02-28"))
      session.driver.browser.keyboard.type(:right)
      expect(session).to have_css("h1", text: "March 2027")
      session.driver.browser.keyboard.type(:pageup)
      expect(session).to have_css("h1", text: "February 2027")
      expect(session).to have_css(".plan-line", text: "Crew of the week")
      expect(axe_findings(session)).to eq []
      session.current_window.resize_to(390, 800)
      expect(session.evaluate_script("document.documentElement.scrollWidth")).to eq 390
      expect(axe_findings(session)).to eq []
    ensure
      session.current_window.resize_to(1280, 800)
    end
  end

  it "by week has hours: a post moves to another one and keeps its minute" do
    post = fresh("Harbour lamp", "2027-02-09T08:20")
    as(:ines) do |session|
      month(session, view: "week")
      expect(session).to have_css("h1", text: "Week 6")
      expect(session.find("[data-place='2027-02-09T08']")).to have_content("Harbour lamp")
      session.execute_script("arguments[0].focus()", line(session, "Harbour lamp"))
      keys = session.driver.browser.keyboard
      keys.type("m")
      keys.type(:down)
      keys.type(:down)
      expect(session).to have_css(".move-note", text: "Tue 9 Feb, 10:20 from Tue 9 Feb, 8:20")
      keys.type(:enter)
      eventually { planned(post) == "2027-02-09T10:20:00" }
      expect(session.find("[data-place='2027-02-09T10']")).to have_content("Harbour lamp")
      expect(axe_findings(session)).to eq []
    end
  end

  it "by channel shows a post in each of its own, moved together by mouse" do
    post = fresh("Sunset crossing", "2027-02-09T17:00")
    as(:ines) do |session|
      month(session, view: "channels")
      cell = ->(day, channel) { session.find("[data-place='#{day}@#{world.channel(channel)}']") }
      expect(cell.call("2027-02-09", :ticker)).to have_content("Sunset crossing")
      expect(cell.call("2027-02-09", :vitrine)).to have_content("Sunset crossing")
      mouse = session.driver.browser.mouse
      from = middle(session, cell.call("2027-02-09", :ticker).find(".plan-line", text: "Sunset crossing"))
      to = middle(session, cell.call("2027-02-11", :vitrine))
      mouse.move(x: from[0], y: from[1]).down
      mouse.move(x: to[0], y: to[1], steps: 6)
      expect(cell.call("2027-02-11", :ticker)).to have_css(".move-note", text: "Thu 11 Feb, 17:00")
      mouse.up
      eventually { planned(post) == "2027-02-11T17:00:00" }
      expect(cell.call("2027-02-11", :vitrine)).to have_content("Sunset crossing")
      expect(axe_findings(session)).to eq []
    end
  end

  it "is narrowed by keys, says to what, and keeps it in the address over the views and the way back" do
    fresh("Pier café", "2027-02-10T12:00")
    fresh("Lamp oil", "2027-02-10T13:00")
    as(:ines) do |session|
      month(session)
      session.driver.browser.keyboard.type("f")
      session.fill_in("Words", with: "lamp oil")
      expect(session).to have_no_css(".plan-line", text: "Pier café")
      expect(session).to have_css(".plan-line", text: "Lamp oil")
      expect(session).to have_button("“lamp oil”")
      session.find("label", text: "Week", match: :first, exact_text: true).click
      expect(session).to have_css(".plan-line", text: "Lamp oil")
      expect(session).to have_no_css(".plan-line", text: "Pier café")
      line(session, "Lamp oil").click
      expect(session).to have_css("h1", text: "Lamp oil").or have_field(with: "Lamp oil")
      session.go_back
      expect(session).to have_css("h1", text: "Week 6")
      expect(session).to have_no_css(".plan-line", text: "Pier café")
      expect(axe_findings(session)).to eq []
      session.click_button("Show everything")
      expect(session).to have_css(".plan-line", text: "Pier café")
    end
  end

  it "is saved under a name, stands on the Desk with its count, and leads back" do
    fresh("Gull watch", "2027-02-10T12:00")
    as(:ines) do |session|
      month(session, words: "gull+watch", view: "week")
      session.click_button("Save this view")
      session.fill_in("Name", with: "Gulls")
      session.check("for everybody here")
      session.click_button("Save", exact: true)
      expect(session).to have_button("Gulls 1")
      expect(session.evaluate_script("document.activeElement.textContent")).to include("Gulls")
      expect(axe_findings(session)).to eq []
    end
    as(:bram) do |session|
      session.visit("/desk?client=#{world.workspace}")
      expect(session).to have_link("Gulls 1")
      expect(axe_findings(session)).to eq []
      session.click_link("Gulls 1")
      expect(session).to have_current_path(/view=week/)
      expect(session).to have_button("“gull watch”")
      session.click_button("Remove the view Gulls")
      expect(session).to have_no_button("Gulls 1")
      session.click_button("Undo")
      expect(session).to have_button("Gulls 1")
    end
  end

  it "goes into other calendars by an address that is told once, and is revoked" do
    post = fresh("Kite day", "2026-11-10T12:00")
    as(:ines) do |session|
      month(session, of: "2026-11", words: "kite")
      session.click_button("More …")
      session.find("[role=menuitem]", text: "Export …").click
      session.fill_in("Name of the calendar", with: "Kites")
      session.click_button("Make an address")
      address = session.find_field("The address, told this once").value
      expect(axe_findings(session)).to eq []
      read = -> { Net::HTTP.get_response(URI(address)) }
      expect(read.call.body.force_encoding("UTF-8").gsub("\r\n ", "")).to include(
        "SUMMARY:Kite day · drafting",
        "UID:#{post}"
      )
      session.click_button("Revoke Kites")
      expect(session).to have_no_button("Revoke Kites")
      expect(read.call.code).to eq "404"
      sheet = session.find_link("As text (CSV)")[:href]
      text = session.evaluate_async_script("fetch(arguments[0]).then((one) => one.text()).then(arguments[1])", sheet)
      expect(CSV.parse(text.delete_prefix("\u{FEFF}"), headers: true).map { |row| row["subject"] }).to eq ["Kite day"]
    end
  end
end
