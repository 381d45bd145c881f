# frozen_string_literal: true

require_relative "crowd"
require_relative "figures"
require_relative "typing"

module Bench
  # The review of a week with 20 posts on a slow phone: 400 kbit/s, 400 ms, processor slowed four times. When something
  # is there, when the first post's words can be read, when its picture is there, and how many bytes came before it;
  # against a bare page that holds the same words and picture, over the same line.
  class Review < Typing
    POSTS = 20
    LINE = { offline: false, latency: 400, download_throughput: 50_000, upload_throughput: 50_000 }.freeze
    # the page's own clock, from the first byte that is asked for
    WATCH = <<~JS
      window.said = {}
      const note = (name) => (window.said[name] ??= performance.now())
      new PerformanceObserver((list) => list.getEntries().forEach((one) => one.name === 'first-contentful-paint' && note('paint')))
        .observe({ type: 'paint', buffered: true })
      const look = () => {
        if (document.body?.innerText.includes('WORDS')) note('words')
        const picture = [...document.images].find((one) => one.complete && one.naturalWidth > 60)
        if (picture) note('picture')
        if (!window.said.picture) requestAnimationFrame(look)
      }
      requestAnimationFrame(look)
    JS
    RUNS = 5

    def call
      puts "\nThe review of #{POSTS} posts at 400 kbit/s, 400 ms, processor slowed four times"
      started do |browser, address|
        ours = Array.new(RUNS) { visit(browser, address.call) }
        floor = Array.new(RUNS) { visit(browser, bare) }
        {
          "paint" => "first content",
          "words" => "words of the first post",
          "picture" => "its picture"
        }.each { |key, name| Figures.line("#{name}, s", middle(ours, key), middle(floor, key), " ") }
        puts format("%-58s %9.1f kB", "came before the first picture", middle(ours, "bytes") / 1_024)
      end
    end

    private

    def middle(runs, key) = Figures.quantile(runs.map { |run| run.fetch(key) }, 0.5)

    # @yieldparam address [Proc] a new link each time: a link opened twice has its visit already
    def started
      port = Setup::Processes.free_port
      url = "http://127.0.0.1:#{port}"
      # the server lives in the story's time too: a pass works for two weeks
      story = { ASK_FIRST_CLOCK_OFFSET: (SpecWorld::NOON - Time.now).to_i.to_s }
      world = SpecWorld.new(cluster: @cluster, ASK_FIRST_PORT: port.to_s, ASK_FIRST_PUBLIC_URL: url, **story)
      ask = week(world)
      Infrastructure.processes.start(
        "web",
        *%w[bundle exec puma -C config/puma.rb],
        env: world.variables,
        log: Infrastructure.log("bench-web")
      )
      Infrastructure.processes.wait_for("web", port, path: "/health")
      yield nil, -> { "#{url}/review/##{link(world, ask)}" }
    end

    def week(world)
      posts =
        Array.new(POSTS) do |n|
          world.draft(
            text: "Post #{n}: when fog sits on the estuary, nobody guesses.",
            wall: format("2026-10-%02dT%02d:30", 19 + (n % 7), 8 + (n / 7))
          )
        end
      posts.each do |post|
        world.ask(post, 0)
        world.answer(post, :wren)
      end
      world.ask(posts, 1)
    end

    def link(world, ask)
      process = AskFirst::App::Member.process(world.workspace, "dispatcher")
      AskFirst::App::Signoff::CreatePass.call(
        world.environment,
        process,
        ask_id: ask,
        person_id: world.person(:odile),
        keep: true
      )
    end

    # @return [Hash] paint, words, picture: seconds; bytes: as they came over the line
    def visit(_, address)
      browser =
        Ferrum::Browser.new(
          window_size: [390, 800],
          browser_path: "/usr/bin/chromium-headless-shell",
          browser_options: OPTIONS,
          timeout: 60,
          process_timeout: 30
        )
      page = browser.page
      page.command("Network.enable")
      page.command(
        "Network.emulateNetworkConditions",
        **LINE.transform_keys { |key| key.to_s.gsub(/_(.)/) { ::Regexp.last_match(1).upcase }.to_sym }
      )
      page.command("Emulation.setCPUThrottlingRate", rate: 4)
      page.command("Page.addScriptToEvaluateOnNewDocument", source: WATCH.sub("WORDS", "nobody guesses"))
      page.command("Page.navigate", url: address)
      seen(page)
    ensure
      browser&.quit
    end

    def seen(page)
      40.times do
        sleep 0.5
        said = page.evaluate("window.said")
        next unless said && said["picture"]

        bytes = page.evaluate(<<~JS)
          performance.getEntriesByType('resource').concat(performance.getEntriesByType('navigation'))
            .filter((one) => one.responseEnd <= window.said.picture && one.initiatorType !== 'img')
            .reduce((sum, one) => sum + one.transferSize, 0)
        JS
        return said.transform_values { |ms| ms / 1_000.0 }.merge("bytes" => bytes)
      end
      raise "the picture never came: #{page.evaluate("document.body.innerText.slice(0, 160)")}"
    end

    # One page with the words and a picture of the size that the review shows first.
    def bare
      @bare ||=
        begin
          picture = SpecWorld.picture.string
          server = TCPServer.new("127.0.0.1", 0)
          html = "<meta name=viewport content='width=device-width'><p>nobody guesses</p><img src=/p.jpg>"
          Thread.new { loop { serve(server.accept, html, picture) } }
          "http://127.0.0.1:#{server.addr[1]}/"
        end
    end

    def serve(client, html, picture)
      asked = client.gets.to_s
      nil until client.gets.to_s.strip.empty?
      type, body = asked.include?("p.jpg") ? ["image/jpeg", picture] : ["text/html; charset=utf-8", html]
      client.write(
        "HTTP/1.1 200 OK\r\ncontent-type: #{type}\r\ncontent-length: #{body.bytesize}\r\nconnection: close\r\n\r\n"
      )
      client.write(body)
      client.close
    end
  end
end
