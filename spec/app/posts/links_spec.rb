# frozen_string_literal: true

RSpec.describe "The page at the end of a link", :database do
  # Asked for, read by the dispatcher's job, and fetched.
  def preview(address, who: :maro, **more)
    reading = world.act("Posts::PreviewLink", who, address: address, **more)
    AskFirst::App::Posts::ReadLink.call(
      world.jobs,
      AskFirst::App::Member.process(world.workspace, "dispatcher"),
      reading_id: reading
    )
    found = world.act("Posts::LinkReading", who, reading_id: reading)
    found.transform_keys(&:to_sym)
  end

  it "tells its title, words and picture (Open Graph), through a redirect too" do
    expect(preview("http://quillmere.example/lamp")).to include(
      title: "The harbour lamp",
      words: "Green, amber or red, every ten minutes.",
      picture: "http://quillmere.example/picture.png"
    )
    expect(preview("http://quillmere.example/moved")).to include(
      title: "Quillmere Ferries",
      address: "http://quillmere.example/"
    )
  end

  it "gives its picture to the client's files when that is wanted, by whoever may add pictures" do
    taken = preview("http://quillmere.example/lamp", who: :ines, picture: true)
    expect(db[:media].where(id: taken[:media_id]).get(%i[kind mime width height])).to eq [
         "picture",
         "image/png",
         1200,
         630
       ]
    expect(preview("http://quillmere.example/lamp", picture: true)[:media_id]).to be_nil
  end

  it "is not fetched from private addresses, however they are written, nor through a redirect" do
    [
      "http://127.0.0.1:4200/",
      "http://quillmere.example:#{Infrastructure.stand_ins[:url][/\d+\z/]}/",
      "https://quillmere.example/",
      "http://localhost/",
      "http://[::1]/",
      "http://10.0.0.8/x",
      "http://169.254.169.254/latest",
      "http://0x7f000001/",
      "http://2130706433/"
    ].each do |address|
      expect(refused_at { preview(address) }.first).to eq("link_private").or eq("link_silent").or eq("bad_link").or eq(
                       "link_broken"
                     )
    end
    expect(refused_at { preview("http://127.0.0.1:4200/") }).to eq %w[link_private link]
  end

  it "that is gone, is no page or is not known says so at the field" do
    expect(refused_at { preview("http://quillmere.example/nowhere") }).to eq %w[link_broken link]
    expect(refused_at { preview("http://quillmere.example/picture.png") }).to eq %w[link_broken link]
    expect(refused_at { preview("http://name-that-is-not-known.invalid/") }).to eq %w[link_silent link]
    expect(refused_at { preview("not an address") }).to eq %w[bad_link link]
  end

  it "is read by a job and told to whoever asked, and to nobody else; asked twice, it is read once" do
    asked = Array.new(2) { world.act("Posts::PreviewLink", :maro, address: "http://quillmere.example/lamp") }
    expect(asked.uniq.size).to eq 1
    expect(
      db[:que_jobs].where(job_class: "AskFirst::Jobs::ReadLink").where(Sequel.lit("args->>1 = ?", asked.first)).count
    ).to eq 1
    expect(world.act("Posts::LinkReading", :maro, reading_id: asked.first)).to be_nil
    expect { world.act("Posts::LinkReading", :ines, reading_id: asked.first) }.to raise_error(AskFirst::Core::NotFound)
    told = world.jobs.bus.told.size
    2.times do
      AskFirst::App::Posts::ReadLink.call(
        world.jobs,
        AskFirst::App::Member.process(world.workspace, "dispatcher"),
        reading_id: asked.first
      )
    end
    expect(world.jobs.bus.told.drop(told)).to eq [[world.person(:maro)]]
  end

  it "whose reading was given up is asked for anew, and counts among nobody's ten" do
    lost = Array.new(10) { |n| world.act("Posts::PreviewLink", :tobiah, address: "http://quillmere.example/lost#{n}") }
    world.owner[:link_readings].where(id: lost).update(asked_at: world.environment.now - 61)
    db[:que_jobs].where(job_class: "AskFirst::Jobs::ReadLink").delete
    expect(world.act("Posts::PreviewLink", :tobiah, address: "http://quillmere.example/lost0")).to eq lost.first
    expect(
      db[:que_jobs].where(job_class: "AskFirst::Jobs::ReadLink").where(Sequel.lit("args->>1 = ?", lost.first)).count
    ).to eq 1
  end

  it "of a person who has ten in hand already is not asked for" do
    Array.new(10) { |n| world.act("Posts::PreviewLink", :bram, address: "http://quillmere.example/#{n}") }
    expect(refused_at { world.act("Posts::PreviewLink", :bram, address: "http://quillmere.example/11") }).to eq %w[
         too_many_links
         link
       ]
  end

  describe "whose server misbehaves" do
    after { @server&.close }

    def server(&says) = @server = SlowServer.new(&says)
    def reader = AskFirst::Edge::Pages::Reader.new({ "http://slow.example" => @server.address })
    def clock = Process.clock_gettime(Process::CLOCK_MONOTONIC)

    # Each of these would go on for ten seconds or more.
    {
      "says its status line letter by letter" => ->(line) do
        ("HTTP/1.1 200 OK" * 5).each_char { |one| line.write(one) && sleep(0.2) }
      end,
      "trickles its head" => ->(line) do
        line.write("HTTP/1.1 200 OK\r\n") && 100.times { line.write("X-More: 1\r\n") && sleep(0.1) }
      end,
      "answers 103 again and again" => ->(line) do
        1_000.times { line.write("HTTP/1.1 103 Early Hints\r\n\r\n") && sleep(0.01) }
      end,
      "trickles its body" => ->(line) do
        line.write("HTTP/1.1 200 OK\r\nContent-Length: 100\r\n\r\n") && 100.times { line.write("x") && sleep(0.1) }
      end,
      "does not say anything" => ->(_) { sleep(10) }
    }.each do |title, says|
      it "(#{title}) is given up at the one deadline, and asked once" do
        server { |line, _| says.call(line) }
        begun = clock
        expect { reader.get("http://slow.example/", seconds: 0.7) }.to raise_error(
          AskFirst::Core::Checks::Unreadable
        ) { |error| expect(error.note).to eq "no answer in time" }
        expect(clock - begun).to be < 8
        expect(@server.asked).to eq 1
      end
    end

    it "(each hop slowly) has one deadline over all hops" do
      server do |line, _|
        sleep(0.5) && line.write("HTTP/1.1 302 Found\r\nLocation: http://slow.example/\r\nContent-Length: 0\r\n\r\n")
      end
      expect { reader.get("http://slow.example/", seconds: 0.9) }.to raise_error(
        AskFirst::Core::Checks::Unreadable
      ) { |error| expect(error.note).to eq "no answer in time" }
      expect(@server.asked).to be < AskFirst::Edge::Pages::Reader::HOPS
    end

    it "(hangs up) is not asked a second time, and the body of a redirect is not waited for" do
      server do |line, request|
        if request.start_with?("GET /on")
          line.write("HTTP/1.1 302 Found\r\nLocation: /\r\nContent-Length: 100\r\n\r\n") && sleep(10)
        end
      end
      expect { reader.get("http://slow.example/on", seconds: 5) }.to raise_error(
        AskFirst::Core::Checks::Unreadable
      ) { |error| expect(error.note).to eq "no connection" }
      expect(@server.asked).to eq 2
    end
  end

  it "that never answers is given up, and that is larger than the limit is read as far as that" do
    reader = AskFirst::Edge::Pages::Reader.new(world.settings.private_hosts)
    expect { reader.get("http://quillmere.example/slow", seconds: 0.4) }.to raise_error(
      AskFirst::Core::Checks::Unreadable
    ) { |error| expect(error.state).to eq "silent" }
    slow_names = AskFirst::Edge::Pages::Reader.new({}, names: ->(_) { sleep 30 })
    expect { slow_names.get("http://far.example/", seconds: 0.3) }.to raise_error(
      AskFirst::Core::Checks::Unreadable
    ) { |error| expect(error.message).to include "no answer in time" }
    page = reader.get("http://quillmere.example/picture.png", limit: 100)
    expect([page.body.bytesize, page.cut]).to eq [100, true]
  end

  it "is looked at by a job after a save, and a dead one is a warning in its column" do
    post = world.draft(wall: "2026-10-20T07:30")
    world.write(post, "link", "http://quillmere.example/nowhere")
    process = AskFirst::App::Member.process(world.workspace, "dispatcher")
    expect(
      db[:que_jobs].where(job_class: "AskFirst::Jobs::LookAtLinks").where(Sequel.lit("args->>1 = ?", post)).count
    ).to eq 2 # now, and a day before
    AskFirst::App::Checks::LookAtLinks.call(world.jobs, process, post_id: post)
    found =
      world.act("Posts::PostSheet", :ines, post_id: post)[:adaptations].first[:proof][:checks].find do |check|
        check[:code] == "link_dead"
      end
    expect(found[:sentence]).to eq "quillmere.example/nowhere is not there any more (404)."
    world.write(post, "link", "http://quillmere.example/lamp")
    AskFirst::App::Checks::LookAtLinks.call(world.jobs, process, post_id: post)
    expect(
      world.act("Posts::PostSheet", :ines, post_id: post)[:adaptations]
        .flat_map { |one| one[:proof][:checks] }
        .map { |check| check[:code] }
    ).not_to include "link_dead"
  end
end
