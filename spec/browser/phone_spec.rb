# frozen_string_literal: true

# The client's review on a phone: 390x800, touch, no account, from the link in a mail.
RSpec.describe "The client on a phone" do
  let(:world) { BrowserWorld.world }
  let(:db) { world.db }
  let(:phone) { another_phone }

  before do
    phone.driver.browser.page.command("Emulation.setTouchEmulationEnabled", enabled: true, maxTouchPoints: 1)
    phone.driver.browser.page.command(
      "Emulation.setDeviceMetricsOverride",
      width: 390,
      height: 800,
      deviceScaleFactor: 1,
      mobile: true
    )
  end

  after { phone.quit }

  def asked(posts)
    posts.each do |post|
      world.ask(post, 0)
      world.answer(post, :wren)
    end
    world.ask(posts, 1, message: "For this week.")
  end

  def link(ask)
    # the mail has left; this pass takes its place
    eventually { db[:guest_passes].where(ask_id: ask, person_id: world.person(:odile)).any? }
    process = AskFirst::App::Member.process(world.workspace, "dispatcher")
    secret = world.act("Signoff::CreatePass", process, ask_id: ask, person_id: world.person(:odile))
    "#{Capybara.app_host}/review/##{secret}"
  end

  def tap_button(name)
    tap_on(phone, phone.find_button(name))
  end

  # The words of each receipt that was due.
  def mailed_receipts
    texts = []
    mailer = Class.new { define_method(:deliver) { |**mail| texts << mail[:text] } }.new
    environment = world.environment.dup.tap { |same| same.mailer = mailer }
    process = AskFirst::App::Member.process(world.workspace, "dispatcher")
    db[:receipts]
      .where(workspace_id: world.workspace, sent_at: nil)
      .select_map(:id)
      .each { |id| AskFirst::App::Signoff::MailReceipt.call(environment, process, receipt_id: id) }
    texts
  end

  def offline(state)
    phone.driver.browser.network.emulate_network_conditions(offline: state)
  end

  it "shows the words of the first post while the page's own code is still on its way" do
    post = world.draft(channels: [:vitrine], text: "Fog today.\nAsk the harbour office.")
    phone.driver.browser.url_blocklist = [%r{/review/assets/}]
    phone.visit(link(asked([post])))
    expect(phone).to have_css("main.first .words", text: "Fog today.")
    expect(phone.find(".words").style("color", "white-space")).to include("white-space" => "pre-line")
  end

  it "goes through a week's ask in one sitting: yes, a change with words, and an end that says so" do
    posts = %w[2026-10-19T08:00 2026-10-20T08:00].map { |wall| world.draft(channels: [:vitrine], wall: wall) }
    phone.visit(link(asked(posts)))
    expect(phone).to have_content("1 of 2")
    expect(phone).to have_content("For this week.")
    expect(phone).to have_content("Monday 19 October, 8:00")
    tap_yes(phone)
    expect(phone).to have_content("2 of 2")
    expect(phone).to have_content("Tuesday 20 October, 8:00")
    tap_button("Change this")
    expect(phone).to have_button("Send this change", disabled: true)
    phone.fill_in("What is to be changed?", with: "The pier opens at nine.")
    expect(axe_findings(phone)).to eq []
    tap_button("Send this change")
    expect(phone).to have_content("Thank you, Odile")
    expect(axe_findings(phone)).to eq []
    eventually { world.stage(posts[1]) == "changes_wanted" }
    expect(world.stage(posts[0])).to eq "cleared"
    expect(db[:answers].where(post_id: posts[1], verdict: "change").get(:words)).to eq "The pier opens at nine."
    tap_on(phone, phone.all(".end li button").first)
    expect(phone).to have_content("You said: Yes, it can go out")
  end

  it "takes no yes for what was not seen: not while its pictures are on their way, and not for a second way below" do
    post = world.draft(channels: %i[ticker vitrine], wall: "2026-10-26T08:00")
    world.write(post, "text", "On the pier, in fog: the 7:20 waits until the light is seen.", on: :vitrine)
    held = []
    network = phone.driver.browser.network
    network.intercept(pattern: "*/api/review/files/*")
    phone.driver.browser.on(:request) { |request| held << request }
    phone.visit(link(asked([post])))
    expect(phone).to have_content("It appears in two ways. Both are below.")
    eventually { held.any? }
    tap_on(phone, phone.find(".two .yes"))
    expect(phone).to have_content("Its pictures are still on their way.")
    expect(db[:answers].where(post_id: post, person_id: world.person(:odile)).count).to eq 0
    held.each(&:continue)
    eventually { phone.evaluate_script("[...document.images].every(one => one.complete)") }
    tap_on(phone, phone.find(".two .yes"))
    expect(phone).to have_content(/There is more of it here|This is one you had not seen/)
    expect(db[:answers].where(post_id: post, person_id: world.person(:odile)).count).to eq 0
    tap_yes(phone)
    expect(phone).to have_content("Thank you, Odile")
    eventually { world.stage(post) == "cleared" }
  end

  it "answers a whole week in a list, in the reader's language, with one yes for all that were seen" do
    posts = %w[2026-11-09T08:00 2026-11-10T08:00].map { |wall| world.draft(channels: [:vitrine], wall: wall) }
    phone.visit(link(asked(posts)))
    expect(phone).to have_content("1 of 2")
    phone.select("Deutsch", from: "Language")
    expect(phone).to have_content("Montag, 9. November, 8:00")
    tap_button("Alle als Liste")
    expect(phone).to have_content("Dienstag, 10. November")
    expect(axe_findings(phone)).to eq []
    eventually { phone.evaluate_script("[...document.images].every(one => one.complete)") }
    tap_button("Ja zu den 2, die noch offen sind")
    expect(phone).to have_content("Sehen Sie erst jeden an")
    eventually do
      phone.execute_script("window.scrollBy({ top: 250, behavior: 'instant' })")
      phone.find(".wide", wait: 0).click if phone.has_css?(".wide", wait: 0)
      phone.has_content?("Sie haben jeden gesehen", wait: 0.2)
    end
    tap_on(phone, phone.find("footer .yes"))
    eventually { posts.map { |post| world.stage(post) } == %w[cleared cleared] }
    phone.refresh
    expect(phone).to have_content("Danke, Odile")
    phone.select("English", from: "Sprache")
    expect(phone).to have_content("Thank you, Odile")
  end

  it "shows only what changed since the reader's own last answer" do
    post = world.draft(channels: [:vitrine], wall: "2026-11-11T08:00")
    asked([post])
    world.answer(post, :odile, "change", "Say which pier.")
    world.act("Posts::OpenPost", :ines, post_id: post, adaptation_ids: world.post_state(post).adaptations.map(&:id))
    world.write(post, "text", "When fog sits on the far pier, the 7:20 does not guess.")
    phone.visit(link(asked([post])))
    expect(phone).to have_content("You wanted a change: “Say which pier.”")
    expect(phone.find(".compared del").text).to eq "estuary"
    expect(phone.find(".compared ins").text).to eq "far pier"
    expect(axe_findings(phone)).to eq []
  end

  it "asks a new device for a PIN where the client wants it" do
    post = world.draft(channels: [:vitrine], wall: "2026-11-12T08:00")
    address = link(asked([post]))
    world.owner[:workspaces].where(id: world.workspace).update(review_pin: true)
    phone.visit(address)
    expect(phone).to have_content("A PIN for this device")
    expect(axe_findings(phone)).to eq []
    expect(phone).to have_no_content("Vitrine")
    visit = nil
    eventually { visit = db[:guest_visits].exclude(pin_digest: nil).order(:opened_at).last }
    pin = nil
    mailer = Class.new { define_method(:deliver) { |**mail| pin = mail[:text][/\d{3} \d{3}/] } }.new
    environment = world.environment.dup.tap { |same| same.mailer = mailer }
    process = AskFirst::App::Member.process(world.workspace, "dispatcher")
    AskFirst::App::Signoff::MailPin.call(environment, process, visit_id: visit[:id])
    phone.fill_in("PIN", with: "000 000")
    tap_button("Open")
    expect(phone).to have_content("This is not the PIN")
    phone.fill_in("PIN", with: pin)
    tap_button("Open")
    expect(phone).to have_content("Thursday 12 November")
  ensure
    world.owner[:workspaces].where(id: world.workspace).update(review_pin: false)
  end

  it "takes a yes back from its receipt, and only when it is said, not when the mail is opened" do
    mailed_receipts # of what was answered before
    post = world.draft(channels: [:vitrine], wall: "2026-11-13T08:00")
    asked([post])
    world.answer(post, :odile)
    phone.visit(mailed_receipts.first[%r{\S+/review/#receipt\S+}])
    expect(phone).to have_content("This stands as a yes of Odile Marchetti.")
    expect(axe_findings(phone)).to eq []
    expect(world.stage(post)).to eq "cleared"
    tap_button("This was not me")
    expect(phone).to have_content("does not go out until you say yes yourself")
    expect(world.stage(post)).to eq "cleared"
    tap_button("Take the yes back")
    expect(phone).to have_content("Taken back. Your links were stopped")
    eventually { world.stage(post) == "changes_wanted" }
  end

  it "keeps an answer that was given without a connection, and sends it when it is back" do
    post = world.draft(channels: [:vitrine], wall: "2026-10-21T08:00")
    phone.visit(link(asked([post])))
    expect(phone).to have_content("Wednesday 21 October")
    offline(true)
    tap_yes(phone)
    expect(phone).to have_content("Your answers wait on this phone")
    expect(world.stage(post)).to eq "client_approval"
    offline(false)
    eventually { world.stage(post) == "cleared" }
    expect(phone).to have_content("goes out exactly as you saw it")
    expect(db[:answers].where(post_id: post, person_id: world.person(:odile)).count).to eq 1
  end

  it "keeps words that were typed when the page is closed and opened again" do
    post = world.draft(channels: [:vitrine], wall: "2026-10-22T08:00")
    ask = asked([post])
    phone.visit(link(ask))
    expect(phone).to have_content("Thursday 22 October")
    tap_button("Change this")
    phone.fill_in("What is to be changed?", with: "Half a thought")
    phone.visit("#{Capybara.app_host}/review/")
    expect(phone).to have_content("Thursday 22 October") # the visit's cookie is enough
    tap_button("Change this")
    expect(phone).to have_field("What is to be changed?", with: "Half a thought")
  end

  it "says something without answering" do
    post = world.draft(channels: [:vitrine], wall: "2026-10-23T08:00")
    phone.visit(link(asked([post])))
    expect(phone).to have_content("Friday 23 October")
    phone.fill_in("Say something about this one", with: "Is that our boat?")
    tap_button("Send")
    expect(phone).to have_content("it is not an answer")
    expect(phone).to have_content("Is that our boat?")
    expect(world.stage(post)).to eq "client_approval"
  end

  it "says plainly when the link no longer works, or the ask was withdrawn while it was read" do
    post = world.draft(channels: [:vitrine], wall: "2026-10-24T08:00")
    ask = asked([post])
    address = link(ask)
    phone.visit(address)
    expect(phone).to have_content("Saturday 24 October")
    world.act("Signoff::WithdrawAsk", :ines, ask_id: ask)
    tap_yes(phone)
    expect(phone).to have_content("The agency has withdrawn what it asked here.")
    expect(world.stage(post)).to eq "client_approval" # the house's yes still stands; nothing was taken as the client's
    phone.visit("#{Capybara.app_host}/review/#invented-pass-that-nobody-made")
    expect(phone).to have_content("Open it from the mail once more")
  end

  it "takes a yes for a long post only when its end was on the screen, and brings what was not" do
    post =
      world.draft(
        channels: [:vitrine],
        wall: "2026-11-02T08:00",
        text: Array.new(90) { |n| "#{n + 1}: low tide" }.join("\n")
      )
    phone.visit(link(asked([post])))
    expect(phone).to have_content("Monday 2 November")
    eventually { phone.evaluate_script("[...document.images].every(one => one.complete)") }
    tap_on(phone, phone.find(".two .yes"))
    expect(phone).to have_content("There is more of it here; say yes when you have seen it to its end.")
    eventually { phone.evaluate_script("window.scrollY") > 100 }
    # to the end, past the middle
    phone.execute_script("window.scrollTo({ top: document.body.scrollHeight, behavior: 'instant' })")
    sleep 0.3
    tap_on(phone, phone.find(".two .yes"))
    expect(phone).to have_content("There is more of it here")
    expect(db[:answers].where(post_id: post, person_id: world.person(:odile)).count).to eq 0
    tap_yes(phone)
    expect(phone).to have_content("Thank you, Odile")
  end

  it "sets each paragraph in its own direction" do
    post =
      world.draft(
        channels: [:ticker],
        wall: "2026-11-03T08:00",
        picture: false,
        text: "Fog days\nשלום מן המעבורת\nQuillmere"
      )
    phone.visit(link(asked([post])))
    expect(phone).to have_content("שלום")
    sides = phone.evaluate_script(<<~JS)
      (() => {
        const copy = document.querySelector('.copy'), box = copy.getBoundingClientRect(), range = document.createRange()
        const text = document.createTreeWalker(copy, NodeFilter.SHOW_TEXT), found = []
        for (let node = text.nextNode(); node; node = text.nextNode()) {
          let start = 0
          for (const line of node.data.split('\\n')) {
            range.setStart(node, start); range.setEnd(node, start + line.length)
            const at = range.getBoundingClientRect()
            if (line.trim()) found.push(at.left - box.left < box.right - at.right ? 'left' : 'right')
            start += line.length + 1
          }
        }
        return found
      })()
    JS
    expect(sides).to eq %w[left right left]
  end

  it "with the keyboard open on a small phone, half of the room is the post's" do
    post = world.draft(channels: [:vitrine], wall: "2026-11-04T08:00")
    phone.driver.browser.page.command(
      "Emulation.setDeviceMetricsOverride",
      width: 360,
      height: 360,
      deviceScaleFactor: 1,
      mobile: true
    )
    phone.visit(link(asked([post])))
    expect(phone).to have_content("Wednesday 4 November")
    free = -> do
      phone.evaluate_script(
        "document.querySelector('footer').getBoundingClientRect().top - " \
          "document.querySelector('header').getBoundingClientRect().bottom"
      )
    end
    expect(free.call).to be >= 180
    tap_button("Change this")
    expect(phone).to have_field("What is to be changed?")
    expect(free.call).to be >= 180
    expect(phone.evaluate_script("document.documentElement.scrollWidth")).to eq 360
  end
end
