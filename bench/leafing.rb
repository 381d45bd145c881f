# frozen_string_literal: true

require_relative "material"
require_relative "scrolling"

module Bench
  # How evenly a library of 5,000 files is scrolled; and how soon what is typed shows in it while 50 pictures are being
  # added, against the same field while nothing is.
  class Leafing < Scrolling
    PICTURES = 50
    # Files of a picture each, made different by what lies behind its end.
    DROP = <<~JS
      const bytes = Uint8Array.from(atob(arguments[0]), (one) => one.charCodeAt(0))
      const dropped = new DataTransfer()
      for (let n = 0; n < arguments[1]; n++)
        dropped.items.add(new File([bytes, `${n} ${Math.random()}`], `picture ${n}.jpg`))
      document.querySelector('main').dispatchEvent(new DragEvent('drop', { dataTransfer: dropped, bubbles: true, cancelable: true }))
    JS

    def call
      puts "\nA library of #{Material::MEDIA} files in the browser"
      started do |browser, post|
        evenly(browser) { library(browser, post) }
        puts "\nTyping in it while #{PICTURES} pictures are added"
        floor = took(field(browser))
        browser.execute(DROP, [picture].pack("m0"), PICTURES)
        ours = took(field(browser))
        compare("key to paint", ours, floor)
        puts "files that were there at its end: #{browser.body[/\d+ of #{PICTURES} are there/] || "none yet"}"
      end
    end

    private

    # The files, instead of channels.
    def three_channels(world)
      post = world.draft
      Material.multiply(world, world.owner[:media].first)
      post
    end

    def library(browser, address)
      base = @base = sign_in(browser, address)
      browser.go_to("#{base}/material?client=#{address[%r{/w/([^/]+)}, 1]}")
      sleep 4
      raise "nothing is there" if browser.css("[data-media]").empty?
    end

    def field(browser)
      browser.execute("document.querySelector('main input').focus()")
      browser
    end

    def picture
      Vips::Image.gaussnoise(2_400, 1_600, mean: 128, sigma: 20).cast(:uchar).jpegsave_buffer(Q: 70)
    end
  end
end
