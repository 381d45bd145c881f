# frozen_string_literal: true

require "csv"
require "open3"
require "roo"

# A period planned with what stands beside posts: key dates, fixtures, a campaign, the year and the list; what is found
# or done by one line; and what the client sees of it.
RSpec.describe "Planning a period" do
  let(:world) { BrowserWorld.world }
  let(:db) { world.db }

  def month(session, client, day)
    session.visit("/plan?client=#{world.workspace(client)}&day=#{day}")
    expect(session).to have_css("[role=grid]")
  end

  def more(session, words)
    session.click_button("More …")
    session.find("[role=menuitem]", text: words).click
  end

  def keys(session) = session.driver.browser.keyboard

  it "puts a key date and a note into a month by keys, changes it, and takes it out with a way back" do
    client = fresh_client("Tern Yard")
    connected(client)
    as(:ines) do |session|
      month(session, client, "2027-03-10")
      session.execute_script("arguments[0].focus()", session.find("[data-place='2027-03-17']"))
      keys(session).type("d")
      session.fill_in("What is then", with: "Spring fair")
      session.choose("Other work", allow_label_click: true)
      write_over("date-last", "19 Mar 2027", session)
      session.click_button("Put it there")
      expect(session).to have_css("[data-place='2027-03-17'] .date.work", text: "Spring fair")
      expect(session).to have_css("[data-place='2027-03-19'] .date.work")
      session.click_button("Note for March 2027 …")
      session.fill_in("Note for March 2027, for the house", with: "Quiet until the fair.")
      session.click_button("Save")
      expect(session).to have_css(".note", text: "Quiet until the fair.")
      session.find("[data-place='2027-03-17'] .date.work").click
      session.click_button("Take it out")
      expect(session).to have_no_css(".date.work")
      session.click_button("Undo")
      expect(session).to have_css("[data-place='2027-03-19'] .date.work")
      expect(db[:key_dates].where(workspace_id: world.workspace(client)).get(:last_day)).to eq Date.new(2027, 3, 19)
    end
  end

  it "keeps a place free by a rule, leaves it out once, and makes its post" do
    client = fresh_client("Heron Boats")
    connected(client)
    as(:ines) do |session|
      month(session, client, "2027-03-10")
      more(session, "Fixtures")
      session.click_button("New fixture")
      session.fill_in("What comes back", with: "Market day")
      pick("a working day", from: "When", session: session)
      pick("last", from: "Which", session: session)
      write_over("fixture-first", "1 Mar 2027", session)
      expect(session).to have_css(".look", text: "on the last working day of each month")
      expect(session).to have_css(".look", text: "31 Mar · 30 Apr")
      pick("Account", from: "Channels", session: session)
      session.click_button("Save")
      expect(session).to have_css(".fixtures li", text: "on the last working day of each month")
      session.click_button("Close", exact: true, match: :first)
      session.find("[data-place='2027-03-31'] .pencil-mark").click
      session.click_button("Leave it out this once")
      expect(session).to have_no_css("[data-place='2027-03-31'] .pencil-mark")
      session.click_button("Undo")
      session.find("[data-place='2027-03-31'] .pencil-mark").click
      session.click_button("Make the post")
      expect(session).to have_field("Subject", with: "Market day")
      post = db[:posts].where(workspace_id: world.workspace(client)).first
      wall = db[:parts].where(post_id: post[:id], part: "time").get(:value)["wall"]
      expect(wall).to start_with "2027-03-31T12:00"
    end
  end

  it "shows a year, goes through it by keys, and opens the month that was stopped at" do
    post = world.draft(wall: "2027-05-20T12:00", picture: false)
    as(:ines) do |session|
      session.visit("/plan?client=#{world.workspace}&view=year&day=2027-05-19")
      cell = session.find("[role=gridcell][tabindex='0']")
      expect(cell["aria-label"]).to include("Wed 19 May")
      session.execute_script("arguments[0].focus()", cell)
      keys(session).type(:right)
      expect(session).to have_css("[role=gridcell][tabindex='0'][aria-label*='1 post']")
      keys(session).type(:enter)
      expect(session).to have_css("[data-place='2027-05-20'] .plan-line")
      expect(session).to have_css("h1", text: "May 2027")
    end
    expect(db[:posts].where(id: post).count).to eq 1
  end

  it "changes a list in its cells: subject, owner and time, which is told before what it costs" do
    client = fresh_client("Reed Press")
    ticker = connected(client)
    post = plain_post(client, ticker, wall: "2027-04-07T10:00")
    plain_post(client, ticker, wall: "2027-04-06T10:00", text: "Another boat, another day.")
    as(:ines) do |session|
      session.visit("/plan?client=#{world.workspace(client)}&view=list&day=2027-04-01")
      expect(session).to have_content("2 posts")
      expect(axe_findings(session)).to eq []
      session.click_button("Subject, Late boat: change", match: :first)
      session.execute_script("arguments[0].select()", session.find_field("Subject", with: "Late boat"))
      keys(session).type("Early boat")
      keys(session).type(:enter)
      expect(session).to have_button("Subject, Early boat: change")
      session.click_button("When")
      session.click_button("When")
      expect(session.all("tbody .when").map(&:text).first).to start_with "Wed 7 Apr"
      session.first("tbody .when").click
      write_over("line-day", "9 Apr 2027", session)
      expect(session).to have_css(".move-note", text: "Fri 9 Apr, 10:00 from Wed 7 Apr, 10:00")
      session.click_button("Move it there")
      expect(session).to have_css("tbody .when", text: "Fri 9 Apr")
      eventually { db[:parts].where(post_id: post, part: "time").get(:value)["wall"].start_with?("2027-04-09T10:00") }
    end
  end

  it "changes the places of two pictures on a wall by keys: the times stay, told before, and back" do
    client = fresh_client("Grebe Sails")
    vitrine = connected(client, "vitrine")
    early = plain_post(client, vitrine, wall: "2026-10-20T09:00")
    late = plain_post(client, vitrine, wall: "2026-10-22T18:00", text: "Another sail, another day.")
    wall = ->(post) { db[:parts].where(post_id: post, part: "time").get(:value)["wall"] }
    as(:ines) do |session|
      session.visit("/plan?client=#{world.workspace(client)}&view=wall")
      expect(session).to have_css(".wall li", count: 2)
      session.execute_script("arguments[0].focus()", session.first(".wall li a"))
      keys(session).type("m")
      expect(session).to have_css(".wall li.held")
      keys(session).type(:right)
      keys(session).type(:enter)
      expect(session).to have_css("[role=dialog]", text: "Thu 22 Oct, 18:00 → Tue 20 Oct, 9:00")
      expect(axe_findings(session)).to eq []
      session.click_button("Change 2 times")
      eventually { [wall.call(early), wall.call(late)] == %w[2026-10-22T18:00:00 2026-10-20T09:00:00] }
      session.click_button("Undo")
      eventually { [wall.call(early), wall.call(late)] == %w[2026-10-20T09:00:00 2026-10-22T18:00:00] }
    end
  end

  it "shows the proof of a line to who points at it, and puts it away when it is left" do
    client = fresh_client("Bittern Boats")
    ticker = connected(client)
    plain_post(client, ticker, wall: "2027-06-09T09:00", text: "The reed boat is dry.")
    as(:ines) do |session|
      month(session, client, "2027-06-09")
      session.find(".plan-line").hover
      expect(session).to have_css(".plan-proof", text: "The reed boat is dry.")
      session.find("h1").hover
      expect(session).to have_no_css(".plan-proof")
    end
  end

  it "opens a post over the plan, works in it by keys, and is back where one was" do
    client = :quillmere
    texts = [["Low water", "2027-03-10T09:00"], ["High water", "2027-03-11T09:00"]]
    one, two =
      texts.map do |subject, wall|
        plain_post(client, world.channel(:ticker), text: "#{subject} at the pier", wall: wall).tap do |post|
          world.act("Posts::Rename", :ines, client, post_id: post, subject: subject, version: 1)
        end
      end
    as(:ines) do |session|
      month(session, client, "2027-03-10")
      session.find(".plan-line", text: "Low water").click
      expect(session).to have_css(".sheet-layer [aria-label='Channels and master'], .sheet-layer .columns")
      expect(session).to have_current_path(/post=#{world.workspace(client)}\.#{one}/, url: true)
      expect(session).to have_css("[role=grid]") # the plan is still there below
      expect(axe_findings(session)).to eq []
      # its keys are those of the sheet: S asks, and the plan's do nothing
      keys(session).type("d")
      expect(session).to have_no_css(".ant-modal")
      keys(session).type("s")
      expect(session).to have_css(".ant-modal", text: "Ask Wren")
      keys(session).type(:Escape)
      expect(session).to have_no_css(".ant-modal", text: "Ask Wren")
      expect(session).to have_css(".sheet-layer .columns")
      # out of a field first, then out of the sheet
      session.find(".sheet-layer textarea[aria-label^='Write to'], .sheet-layer textarea", match: :first).click
      keys(session).type(:Escape)
      expect(session).to have_css(".sheet-layer .columns")
      keys(session).type(:Escape)
      expect(session).to have_no_css(".sheet-layer")
      expect(session.evaluate_script("document.activeElement.textContent")).to include "Low water"
      # Enter opens, the browser's way back closes
      session.execute_script("arguments[0].focus()", session.find(".plan-line", text: "High water"))
      keys(session).type(:Enter)
      expect(session).to have_current_path(/post=#{world.workspace(client)}\.#{two}/, url: true)
      session.go_back
      expect(session).to have_no_css(".sheet-layer")
      expect(session).to have_css("[role=grid]")
      # sent as an address it opens the same
      session.visit("/plan?client=#{world.workspace(client)}&day=2027-03-10&post=#{world.workspace(client)}.#{one}")
      expect(session).to have_css(".sheet-layer .columns")
      session.click_button("Back to the plan")
      expect(session).to have_no_css(".sheet-layer")
      expect(session).to have_no_current_path(/post=/, url: true)
    end
  end

  it "proposes what brings a channel to its pace, does it in one press, and takes it back" do
    client = fresh_client("Pace Yard")
    connected(client)
    as(:ines) do |session|
      month(session, client, "2027-03-10")
      more(session, "Balance of these days")
      click_on("Say which pace is wanted")
      session.fill_in("Days without a post, at most", with: "20")
      session.click_button("Save the pace")
      expect(session).to have_button("Do it", count: 1)
      expect(axe_findings(session)).to eq []
      session.click_button("Do it")
      expect(session).to have_content("The pace is kept in these days.")
      eventually { db[:pencil_marks].where(workspace_id: world.workspace(client)).count == 1 }
      session.click_button("Undo")
      expect(session).to have_button("Do it", count: 1)
    end
  end

  it "plans a campaign, says what is missing until it can start, and what its mix lacks" do
    client = fresh_client("Sedge Choir")
    ticker = connected(client)
    post = plain_post(client, ticker, wall: "2027-04-07T10:00")
    world.act("Posts::SetLabels", :ines, client, post_id: post, names: ["News"])
    world.act("Posts::SetCampaign", :ines, client, post_id: post, name: "Spring concert")
    as(:ines) do |session|
      session.visit("/campaigns?client=#{world.workspace(client)}")
      session.click_link("Spring concert")
      expect(session).to have_css(".missing li", text: "It has no period yet.")
      session.click_button("Change …")
      write_over("campaign-first", "5 Apr 2027", session)
      write_over("campaign-last", "2 May 2027", session)
      session.fill_in("Goal", with: "A full house")
      session.fill_in("Brief", with: "**Loud**, <script>alert(1)</script>")
      session.click_button("Add a label")
      session.find_field("Label 1", visible: :all).set("News")
      session.fill_in("Percent 1", with: "50")
      session.click_button("Save")
      expect(session).to have_css("section", text: "A full house")
      expect(session).to have_css(".brief strong", text: "Loud")
      expect(session).to have_no_css(".brief script", visible: :all)
      expect(session).to have_css(".missing li", text: "No channel is chosen.")
      expect(session).to have_content("50 points away. To come within 5, add 1 without a label of the mix.")
      expect(axe_findings(session)).to eq []
    end
  end

  it "finds and does by one line, without a mouse" do
    client = fresh_client("Willow Weir")
    connected(client)
    as(:ines) do |session|
      session.visit("/desk")
      expect(session).to have_css("h1")
      keys(session).type("/")
      keys(session).type("willow november 2027")
      expect(session).to have_css("[role=option][aria-selected=true]", text: "Plan, November 2027")
      keys(session).type(:enter)
      expect(session).to have_css("h1", text: "November 2027")
      expect(session).to have_css("button.client", text: "Willow Weir")
      keys(session).type("/")
      keys(session).type("new post for willow")
      expect(session).to have_css("[role=option]", text: "New post")
      keys(session).type(:enter)
      expect(session).to have_field("Subject", with: "")
      keys(session).type(:escape)
      session.visit("/desk")
      expect(session).to have_css("h1")
      keys(session).type("/")
      keys(session).type("Ines Callo")
      expect(session).to have_css("[role=option]", text: "Ines Calloway")
      keys(session).type(:escape)
      expect(session).to have_no_css("[role=dialog]")
    end
  end

  # What a link of the page leads to, fetched as its reader.
  def fetched(session, href)
    base64 = session.evaluate_async_script(<<~JS, href)
      const done = arguments[1]
      fetch(arguments[0]).then(async (reply) => {
        const bytes = new Uint8Array(await reply.arrayBuffer())
        done(btoa(bytes.reduce((text, byte) => text + String.fromCharCode(byte), '')))
      })
    JS
    base64.unpack1("m0")
  end

  it "fills an empty month by keys and by mouse, narrows it, saves the view, asks for the week, and reads the files" do
    client = :quillmere
    word = "Heron #{SecureRandom.hex(3)}"
    as(:ines) do |session|
      session.visit("/plan?client=#{world.workspace(client)}&day=2028-05-10&view=channels&span=month")
      cell = ->(day) { session.find("[data-place='#{day}@#{world.channel(:ticker, client)}']") }
      # by keys a mark, by its dialog a post
      session.execute_script("arguments[0].focus()", cell.call("2028-05-10"))
      keys(session).type("p")
      keys(session).type(word)
      keys(session).type(:enter)
      expect(session).to have_css(".pencil-mark", text: word)
      session.find(".pencil-mark", text: word).click
      session.click_button("Make the post")
      expect(session).to have_field("Subject", with: word)
      write_copy("Master copy", "#{word} stands at low water", session)
      eventually { db[:parts].where(part: "text").all.any? { |row| row[:value].to_s.include?(word) } }
      # by mouse to another day
      month(session, client, "2028-05-10")
      line = session.find(".plan-line", text: word)
      mouse = session.driver.browser.mouse
      middle =
        lambda do |element|
          session.evaluate_script(
            "(() => { const r = arguments[0].getBoundingClientRect(); " \
              "return [r.x + r.width / 2, r.y + r.height / 2] })()",
            element
          )
        end
      from, to = [line, session.find("[data-place='2028-05-11']")].map { |one| middle.call(one) }
      mouse.move(x: from[0], y: from[1]).down
      mouse.move(x: to[0], y: to[1], steps: 5)
      expect(session).to have_css("[data-place='2028-05-11'] .move-note")
      mouse.up
      expect(session.find("[data-place='2028-05-11']")).to have_content(word)
      # narrowed, and kept under a name
      keys(session).type("f")
      session.fill_in("Words", with: word)
      session.click_button("Save this view …")
      session.fill_in("Name", with: "Herons #{word[-3..]}")
      session.click_button("Save", exact: true)
      expect(session).to have_content("Herons #{word[-3..]}")
      # asked for
      session.execute_script("document.activeElement.blur()")
      keys(session).type("a")
      session.click_button("Ask …")
      expect(session).to have_css("[role=dialog]", text: "1 post")
      session.click_button("Ask for 1 post")
      expect(session).to have_content("Wren Adeyo is asked for 1 post.")
      # and read back
      more(session, "Export …")
      href = ->(name) { session.find("a", text: name)["href"] }
      rows = CSV.parse(fetched(session, href.call("As text (CSV)")).force_encoding("UTF-8").delete_prefix("\uFEFF"))
      expect(rows.map { |row| row[4] }).to eq ["subject", word]
      sheet = StringIO.new(fetched(session, href.call("As a sheet (XLSX)")))
      expect(Roo::Excelx.new(sheet).sheet(0).column(5)).to eq ["subject", word]
      paper = fetched(session, href.call("The month on paper (PDF)"))
      text, status = Open3.capture2("pdftotext", "-layout", "-", "-", stdin_data: paper, binmode: true)
      expect([status.success?, text.force_encoding("UTF-8").include?(word)]).to eq [true, true]
    end
  end

  describe "what the client sees" do
    let(:phone) { another_phone }

    after { phone.quit }

    it "stands under a link on a phone without an account, loses what is kept out, and ends when it is revoked" do
      post = world.draft(wall: "2026-10-27T07:30")
      world.act("Posts::Rename", :ines, post_id: post, subject: "Tide clock", version: 1)
      world.ask(post, 0)
      world.answer(post, :wren)
      world.ask(post, 1)
      address = nil
      as(:ines) do |session|
        session.visit("/w/#{world.workspace}/client-plan")
        expect(session).to have_css(".post.waits", text: "Tide clock")
        session.click_button("Plan links …")
        session.fill_in("For whom", with: "Odile's phone")
        session.click_button("Make a link")
        address = session.find_field("Plan link").value
      end
      phone.driver.browser.resize(width: 390, height: 800)
      phone.visit(address)
      expect(phone).to have_css(".post.waits", text: "Tide clock")
      calendar = Net::HTTP.get(URI(phone.find_link("In your calendar")[:href].sub("webcal:", "http:")))
      expect(calendar.force_encoding("UTF-8")).to include("Tide clock", "waits for your yes")
      expect(phone.evaluate_script("document.documentElement.scrollWidth")).to be <= 390
      world.act("Plan::KeepOut", :ines, post_id: post, out: true)
      phone.refresh
      expect(phone).to have_css(".week")
      expect(phone).to have_no_content("Tide clock")
      as(:ines) do |session|
        session.click_button("End the link Odile's phone")
        expect(session).to have_no_content("Odile's phone")
      end
      phone.refresh
      expect(phone).to have_content("This link does not work any more.")
    end
  end
end
