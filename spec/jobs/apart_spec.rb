# frozen_string_literal: true

require_relative "../support/slow_server"

# What stopped the sending once: a robots.txt whose pattern never ended, a mail of nested parts, a feed that cannot be
# read. The worker reads them now, apart; it is killed meanwhile, too. The sender goes on as if they were not there.
RSpec.describe "The sending beside hostile files" do
  it "sends at its minute and beats on, while a worker reads them and is killed; nobody reads them twice" do
    own = site = nil
    site = hostile_site
    own =
      SpecWorld.new(
        clock: AskFirst::Edge::Clock.new,
        ASK_FIRST_LEASE: "6",
        ASK_FIRST_NETWORK_TIMEOUT: "3",
        ASK_FIRST_POLL: "0.1",
        ASK_FIRST_PRIVATE_HOSTS: "http://boats.example=#{site.address}"
      )
    Que.connection = own.environment.db
    own.environment.inbox.forget(own.environment.inbox.fetch.map(&:uid))
    feeds = %w[stars broken].map { |name| feed(own, name) }
    mail(own, (0...2_000).map { |n| "Content-Type: multipart/mixed; boundary=b#{n}\r\n\r\n--b#{n}\r\n" }.join)
    posts = Array.new(4) { released(own, 12) }
    keepers = %w[dispatcher worker].map { |name| keep(own, name) }
    heard = Thread.new { longest_silence(own) { posts.all? { |post| out?(own, post) } } }
    eventually { own.owner[:workers].any? && site.asked.positive? }
    Process.kill("KILL", inner(keepers.last))
    expect(heard.value).to be < AskFirst::Core::Dispatch::Lease::GONE
    late =
      own.owner[:attempts]
        .where(event: "sent")
        .select_map(%i[showing_id at])
        .map { |showing, at| at - own.owner[:releases].where(showing_id: showing).get(:at) }
    expect([late.size, late.min.negative?]).to eq [4, false]
    state = -> { own.owner[:feeds].where(id: feeds).order(:made_at).select_map(%i[state read_at paused_at]) }
    eventually { state.call.map(&:first) == %w[fine harmful] }
    expect(state.call.last.last).not_to be_nil # it rests
    expect(own.owner[:notices].where(kind: "material").select_map(:words)).to match [%r{boats.example/broken rests}]
    eventually { own.environment.inbox.fetch.empty? } # nobody's, and gone
    expect(own.owner[:que_jobs].where(job_class: "AskFirst::Jobs::ReadFeed").where { error_count > 0 }).to be_empty
  ensure
    Process.kill("TERM", *keepers) if keepers
    keepers&.each { |pid| Process.wait(pid) }
    own&.close
    site&.close
  end

  def hostile_site
    rss = "<rss version=\"2.0\"><channel><title>Boats</title><item><title>Fog</title></item></channel></rss>"
    SlowServer.new do |line, request|
      type, body =
        case request[/\AGET (\S+)/, 1]
        when "/robots.txt"
          ["text/plain", "User-agent: *\nDisallow: /#{"*" * 40}!"]
        when "/broken"
          ["text/html", "<meta #{(0..90_000).map { |n| "a#{n}=b" }.join(" ")}>"]
        else
          ["application/rss+xml", rss]
        end
      line.write("HTTP/1.1 200 OK\r\nContent-Type: #{type}\r\nContent-Length: #{body.bytesize}\r\n\r\n#{body}")
    end
  end

  def feed(own, name)
    said = { "address" => "http://boats.example/#{name}", "name" => name, "makes" => "idea" }
    own.act("Feeds::SaveFeed", :ines, fields: said)[:id]
  end

  def mail(own, rest)
    to = "replies+#{SecureRandom.hex(20)}@fernhollow.example"
    Net::SMTP.start("127.0.0.1", own.settings.smtp_port) do |smtp|
      smtp.send_message("From: o@q.example\r\nTo: #{to}\r\nMIME-Version: 1.0\r\n#{rest}", "o@q.example", to)
    end
  end

  def released(own, seconds)
    at = ->(from_now) { AskFirst::Core::Plan::WallTime.at(Time.now.utc + from_now, "Europe/Lisbon").to_h }
    post = own.draft(channels: [:ticker], wall: nil, picture: false)
    own.write(post, "time", at.call(120), who: :ines)
    own.clear(post)
    own.write(post, "time", at.call(seconds), who: :ines)
    own.release(post)
    post
  end

  def out?(own, post) = own.owner[:showings].where(post_id: post).get(:state) == "out"

  def keep(own, name)
    Process.spawn(
      own.variables,
      "ruby",
      "bin/#{name}",
      chdir: Setup::ROOT,
      pgroup: true,
      out: [Infrastructure.log("#{name}-apart"), "w"],
      err: %i[child out]
    )
  end

  # @return [Float] the longest that nothing was heard of the dispatcher, once it had begun
  def longest_silence(own)
    eventually { own.owner[:dispatchers].any? }
    longest = 0
    last = own.owner[:dispatchers].max(:heartbeat_at)
    deadline = Time.now + 90
    until yield || Time.now > deadline
      sleep 0.2
      now = own.owner[:dispatchers].max(:heartbeat_at)
      longest = [longest, now - last].max
      last = now
    end
    longest
  end

  def inner(keeper) = IO.popen(["pgrep", "-P", keeper.to_s], &:read).split.first.to_i

  def eventually(seconds = 90)
    deadline = Process.clock_gettime(Process::CLOCK_MONOTONIC) + seconds
    until (found = yield)
      raise "it did not happen within #{seconds} s" if Process.clock_gettime(Process::CLOCK_MONOTONIC) > deadline

      sleep 0.1
    end
    found
  end
end
