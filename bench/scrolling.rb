# frozen_string_literal: true

require_relative "figures"
require_relative "typing"

module Bench
  # How evenly a month with 400 lines is scrolled: the time from one frame to the next by the browser's own trace, while
  # it is scrolled through; against a bare page of as many lines in the same browser.
  class Scrolling < Typing
    LINES = 400
    FRAME = 1_000 / 60.0

    def call
      puts "\nScrolling a month with #{LINES} lines"
      started { |browser, post| evenly(browser) { month(browser, post) } }
    end

    private

    # How the page of the block is scrolled.
    def evenly(browser, &page)
      floor = frames(browser) { bare(browser) }
      ours = frames(browser, &page)
      compare("from frame to frame", ours, floor)
      puts format(
             "%-58s %9.1f %%   floor %9.1f %%",
             "frames that came late (over #{(FRAME * 1.5).round} ms)",
             late(ours),
             late(floor)
           )
    end

    def late(frames) = 100.0 * frames.count { |ms| ms > FRAME * 1.5 } / frames.size

    # The posts of the month, as rows of the crowd.
    def three_channels(world)
      post = world.draft(picture: false, channels: [:ticker])
      crowd = Crowd.new(world.owner)
      crowd.multiply(post, LINES - 1)
      # over the days of its month
      rows = world.owner[:parts].where(part: "time", post_id: crowd.ids(post, LINES - 1))
      number = "('x' || substr(md5(post_id::text), 1, 6))::bit(24)::int"
      wall = "'2026-10-' || lpad((1 + #{number} % 31)::text, 2, '0') || 'T07:30:00'"
      rows.update(value: Sequel.lit("jsonb_set(value, '{wall}', to_jsonb(#{wall}))"))
      post
    end

    def bare(browser)
      lines = Array.new(LINES) { |n| "<p style='height:40px'>#{n}: the late boat waits at the pier</p>" }
      browser.page.frames.first.content = lines.join
    end

    def month(browser, address)
      base = sign_in(browser, address)
      browser.go_to("#{base}/plan?client=#{address[%r{/w/([^/]+)}, 1]}&day=2026-10-14")
      sleep 4
      found = browser.evaluate("document.querySelectorAll('.plan-line').length")
      raise "only #{found} lines are there" if found < LINES
    end

    # @return [Array<Numeric>] milliseconds between frames that were drawn while it was scrolled down and up
    def frames(browser)
      yield
      browser.page.command(
        "Tracing.start",
        categories: "disabled-by-default-devtools.timeline.frame,devtools.timeline.frame"
      )
      events = []
      browser.page.on("Tracing.dataCollected") { |told| events.concat(told["value"]) }
      2.times do |turn|
        gesture = { x: 640, y: 500, yDistance: turn.zero? ? -3_000 : 3_000, speed: 1_500 }
        browser.page.command("Input.synthesizeScrollGesture", **gesture)
      end
      browser.page.command("Tracing.end")
      sleep 2
      drawn = events.select { |one| one["name"] == "DrawFrame" }.map { |one| one["ts"] / 1_000.0 }.sort
      gaps = drawn.each_cons(2).map { |one, other| other - one }
      # what lies between two gestures is no frame of either
      gaps.select { |ms| ms < 500 }
    end
  end
end
