# frozen_string_literal: true

require "capybara/rspec"
require "capybara/cuprite"
require_relative "worlds"

# The whole application as a person meets it: web server, dispatcher and worker as their own processes, the
# stand-ins, and Debian's Chromium, at 1280x800 for the desk and 390x800 with touch for the client's phone.
module BrowserWorld
  START = Time.utc(2026, 10, 14, 9, 20) # Wednesday 14 October 2026, 10:20 in Lisbon; it runs on from there
  OPTIONS = {
    "no-sandbox" => nil,
    "disable-gpu" => nil,
    "disable-quic" => nil,
    "disable-background-networking" => nil,
    "disable-component-update" => nil,
    "disable-sync" => nil,
    "no-first-run" => nil,
    # colours that are still fading would be measured for a contrast that nobody reads
    "force-prefers-reduced-motion" => nil
  }.freeze

  module_function

  # Browsers that were begun beside Capybara's own.
  def phones = @phones ||= []

  # Ends every browser that a file began (each person has one, and the next file begins its own), and with the last of
  # these files the web server, the dispatcher and the worker.
  def end_browsers
    sessions = Capybara.send(:session_pool)
    (sessions.values + phones).each(&:quit)
    sessions.clear
    phones.clear
    @left = (@left || RSpec.world.example_groups.count { |group| group.metadata[:browser] }) - 1
    processes.stop if @left.zero?
  end

  def processes = @processes ||= Setup::Processes.new

  # The web server, the dispatcher and the worker are begun for the first of these files and end with the last. Those
  # come one after the other (spec_helper), so that nothing of them runs beside another spec of their process.
  def world = @world ||= begun

  # Each process of specs begins its own, at about the same time: on a busy machine that takes a while.
  def begun
    port = Setup::Processes.free_port
    offset = (START - Time.now).to_s
    made =
      SpecWorld.new(
        clock: AskFirst::Edge::Clock.new(Float(offset)),
        ASK_FIRST_CLOCK_OFFSET: offset,
        ASK_FIRST_PORT: port.to_s,
        ASK_FIRST_INBOX: "", # its worker would empty the mailbox that another process's specs read
        ASK_FIRST_PUBLIC_URL: "http://127.0.0.1:#{port}"
      )
    run("web", made, "bundle", "exec", "puma", "-C", "config/puma.rb", log: "web")
    processes.wait_for("web", port, path: "/health", seconds: 180)
    %w[dispatcher worker].each { |name| run(name, made, "ruby", "bin/#{name}", log: "#{name}-browser") }
    Capybara.app_host = "http://127.0.0.1:#{port}"
    made
  end

  def run(name, made, *command, log:)
    processes.start(name, *command, env: made.variables, log: Infrastructure.log(log))
  end
end

{ desk: [1280, 800], phone: [390, 800] }.each do |name, size|
  Capybara.register_driver(name) do |app|
    Capybara::Cuprite::Driver.new(
      app,
      window_size: size,
      browser_path: "/usr/bin/chromium-headless-shell",
      process_timeout: 180,
      timeout: 180,
      js_errors: true,
      browser_options: BrowserWorld::OPTIONS.dup
    )
  end
end
Capybara.run_server = false
Capybara.default_driver = :desk
Capybara.javascript_driver = :desk
Capybara.default_max_wait_time = 60 # a wait costs nothing where all goes well, and a busy machine is slow
Capybara.enable_aria_label = true
Capybara.automatic_label_click = true # the library draws its ticks over the field itself
Capybara.save_path = File.join(Setup::VAR, "browser")

module BrowserSteps
  # A phone of its own, as another person has it.
  def another_phone
    Capybara::Session.new(:phone).tap { |session| BrowserWorld.phones << session }
  end

  AXE = File.join(Setup::ROOT, "ui/node_modules/axe-core/axe.min.js")

  def sign_in(person, session = Capybara.current_session)
    session.visit("/sign-in")
    session.fill_in("Mail address", with: "#{person}@fernhollow.example")
    session.fill_in("Password", with: Demo::World::PASSWORD)
    session.click_button("Sign in")
    expect(session).to have_css("nav[aria-label=Sections]")
  end

  # Each person has a browser session of their own, as in life.
  def as(person)
    Capybara.using_session(person) do
      sign_in(person) if Capybara.current_session.has_no_css?("nav[aria-label=Sections]", wait: 0)
      yield Capybara.current_session
    end
  end

  # Copy is written in an editor: what is in it is marked and written over, as a person does.
  def write_copy(label, words, session = page)
    session.find("[role=textbox][aria-label='#{label}']").click
    session.driver.browser.keyboard.type([:control, "a"])
    session.driver.browser.page.command("Input.insertText", text: words)
  end

  # Written over what a field says, as a person does.
  def write_over(id, words, session = page)
    field = session.find("##{id}", visible: :all)
    session.execute_script("arguments[0].focus(); arguments[0].select()", field)
    keys = session.driver.browser.keyboard
    words.empty? ? keys.type(:backspace) : keys.type(words)
    keys.type(:enter)
  end

  # A planned time, typed.
  def choose_time(id, wall)
    expect(page).to have_css("##{id}")
    write_over(id, wall.sub("T", " "))
  end

  # One of several, found by typing.
  def pick(words, from:, session: page)
    session.execute_script("arguments[0].focus()", session.find_field(from, visible: :all, type: "search"))
    keys = session.driver.browser.keyboard
    keys.type(words)
    expect(session).to have_css(".ant-select-item-option-active", text: words)
    keys.type(:enter)
  end

  # A part that follows the master is taken up out of the line that says so.
  def take_up(part, at: "change one … on Ticker")
    click_button(at)
    find("[role=menuitem]", text: part, match: :first).click
  end

  def tap_on(session, element)
    box = session.evaluate_script(<<~JS, element)
      (() => {
        arguments[0].scrollIntoView({ block: 'nearest', behavior: 'instant' })
        const r = arguments[0].getBoundingClientRect()
        return [r.x + r.width / 2, r.y + r.height / 2]
      })()
    JS
    point = { x: box[0], y: box[1] }
    touch = ->(type, points) do
      session.driver.browser.page.command("Input.dispatchTouchEvent", type: type, touchPoints: points)
    end
    touch.call("touchStart", [point])
    touch.call("touchEnd", [])
  end

  # A yes counts once the pictures are there to be seen.
  # Why a button is off, as it stands in sight once it has the focus.
  def why_off(name, session = page)
    button = session.find("button[aria-disabled=true]", text: name)
    session.execute_script("arguments[0].focus()", button)
    session.find("[role=tooltip]", text: /\w/).text
  end

  # As somebody does who has read it: to its end.
  def tap_yes(session)
    yes = session.find(".two .yes")
    eventually { session.evaluate_script("[...document.images].every(one => one.complete)") }
    read_through(session)
    tap_on(session, yes)
  end

  # Scrolls through the page in steps of less than what is free on it.
  def read_through(session)
    session.evaluate_async_script(<<~JS)
      const done = arguments[arguments.length - 1]
      const step = () => {
        const before = window.scrollY
        window.scrollBy({ top: 150, behavior: 'instant' })
        requestAnimationFrame(() => requestAnimationFrame(() => (window.scrollY === before ? done(true) : step())))
      }
      window.scrollTo({ top: 0, behavior: 'instant' })
      requestAnimationFrame(step)
    JS
  end

  # Waits until the block is true of the database or the world outside; pages have Capybara's own waiting.
  def eventually(seconds = 90)
    deadline = Time.now + seconds
    sleep 0.2 until yield || Time.now > deadline
    expect(yield).to be_truthy
  end

  # What axe finds on the page once it stands still: no part of it is loading, and what fades from one colour to another
  # is at its end.
  def axe_findings(session = page)
    session.execute_script(File.read(AXE))
    busy = "document.querySelector('[aria-busy=true]')?.outerHTML.slice(0, 300) ?? ''"
    deadline = Time.now + 90
    sleep 0.2 until session.evaluate_script(busy) == "" || Time.now > deadline
    expect(session.evaluate_script(busy)).to eq ""
    session.execute_script(<<~JS)
      for (const one of document.getAnimations()) if (Number.isFinite(one.effect.getComputedTiming().endTime)) one.finish()
    JS
    session.evaluate_async_script(
      "const done = arguments[arguments.length - 1]; axe.run(document, { runOnly: ['wcag2a', 'wcag2aa', 'wcag21a', " \
        "'wcag21aa', 'wcag22aa'] }).then(r => done(r.violations.map(v => v.id + ': ' + " \
        "v.nodes.map(n => n.target.join(' ')).join(' | '))))"
    )
  end
end

RSpec.configure do |config|
  config.define_derived_metadata(file_path: %r{/spec/browser/}) { |metadata| metadata[:browser] = true }
  config.include Capybara::DSL, browser: true
  config.include Capybara::RSpecMatchers, browser: true
  config.include BrowserSteps, browser: true
  config.before(:each, browser: true) { Que.connection = BrowserWorld.world.environment.db }
  config.after(:context, browser: true) { BrowserWorld.end_browsers }
  # a picture of every open page of a spec that failed, for whoever looks for the reason
  config.after(:each, browser: true) do |example|
    next unless example.exception

    Capybara
      .send(:session_pool)
      .each do |name, session|
        session.save_screenshot("#{name.to_s.split(":")[1]}-#{example.metadata[:line_number]}.png")
      rescue StandardError
        nil
      end
  end
end
