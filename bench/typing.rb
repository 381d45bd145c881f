# frozen_string_literal: true

require "ferrum"
require_relative "figures"

module Bench
  # From a key to the paint that shows it, by the browser's own event timing, while somebody types in a copy of 3,000
  # characters with three channels; against a bare text area of the same length on an empty page.
  class Typing
    KEYS = 120
    PAUSE = 0.07 # seconds between two keys: a quick typist
    SHORTEST = 16 # milliseconds: what is quicker is not told by the browser, and counted as this
    WORDS = "When fog sits on the estuary, the 7:20 does not guess. "
    OPTIONS =
      %w[
        no-sandbox
        disable-gpu
        disable-quic
        disable-background-networking
        disable-component-update
        disable-sync
        no-first-run
      ].to_h { |name| [name, nil] }
    WATCH = <<~JS
      window.took = []
      new PerformanceObserver((list) => list.getEntries().forEach((one) => {
        if (['keydown', 'keypress', 'beforeinput', 'input'].includes(one.name)) window.took.push([one.interactionId, one.duration])
      })).observe({ type: 'event', durationThreshold: 16, buffered: false })
    JS
    LONGEST =
      "Object.values(window.took.reduce((all, [id, ms]) => " \
        "({ ...all, [id]: Math.max(all[id] ?? 0, ms) }), {}))"

    def initialize(cluster)
      @cluster = cluster
    end

    def call
      puts "\nTyping"
      started do |browser, post|
        floor = bare(browser)
        ours = sheet(browser, post)
        compare("key to paint", ours, floor)
      end
    end

    private

    def compare(what, ours, floor)
      { "median" => 0.5, "95th percentile" => 0.95 }.each do |name, share|
        Figures.line("#{what}, #{name}", Figures.quantile(ours, share), Figures.quantile(floor, share), "ms")
      end
    end

    def started
      port = Setup::Processes.free_port
      url = "http://127.0.0.1:#{port}"
      world = SpecWorld.new(cluster: @cluster, ASK_FIRST_PORT: port.to_s, ASK_FIRST_PUBLIC_URL: url)
      post = three_channels(world)
      command = %w[bundle exec puma -C config/puma.rb]
      Infrastructure.processes.start("web", *command, env: world.variables, log: Infrastructure.log("bench-web"))
      Infrastructure.processes.wait_for("web", port, path: "/health")
      browser =
        Ferrum::Browser.new(
          window_size: [1280, 800],
          browser_path: "/usr/bin/chromium-headless-shell",
          browser_options: OPTIONS
        )
      browser.go_to("#{url}/sign-in")
      yield browser, "#{url}/w/#{world.workspace}/posts/#{post}"
    ensure
      browser&.quit
    end

    def three_channels(world)
      sheet = world.act("Channels::AddOffline", :ines, name: "Pier sheet", initials: "PS", limit: 5_000, pictures: 4)
      post = world.draft(text: (WORDS * 56)[0, 3_000])
      channels = [world.channel(:ticker), world.channel(:vitrine), sheet]
      world.act("Posts::ChooseChannels", :ines, post_id: post, channel_ids: channels)
      post
    end

    def bare(browser)
      browser.page.frames.first.content = "<textarea id='t' rows='20' cols='60'>#{(WORDS * 56)[0, 3_000]}</textarea>"
      browser.execute("document.getElementById('t').focus()")
      took(browser)
    end

    def sheet(browser, address)
      sign_in(browser, address)
      browser.go_to(address)
      sleep 3
      browser.execute("document.querySelector('[aria-label=\"Master copy\"]').focus()")
      took(browser)
    end

    # @param address [String] any of the application
    # @return [String] the address of its front
    def sign_in(browser, address)
      base = address[%r{\Ahttp://[^/]+}]
      browser.go_to("#{base}/sign-in")
      sleep 1
      browser.at_css("#email").focus.type("ines@fernhollow.example")
      browser.at_css("#password").focus.type(Demo::World::PASSWORD, :enter)
      sleep 2
      base
    end

    # @return [Array<Numeric>] milliseconds, one for each key
    def took(browser)
      browser.execute(WATCH)
      KEYS.times do |n|
        browser.keyboard.type("fog lies low "[n % 13])
        sleep PAUSE
      end
      sleep 1
      told = browser.evaluate(LONGEST)
      told + Array.new([KEYS - told.size, 0].max, SHORTEST)
    end
  end
end
