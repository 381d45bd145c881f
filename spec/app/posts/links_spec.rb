# frozen_string_literal: true

RSpec.describe "The page at the end of a link", :database do
  def preview(address, **more)
    world.act("Posts::PreviewLink", :maro, address: address, **more)
  end

  it "tells its title, words and picture (Open Graph), through a redirect too" do
    expect(preview("http://quillmere.example/lamp")).to include(title: "The harbour lamp", words: "Green, amber or red, every ten minutes.", picture: "http://quillmere.example/picture.png")
    expect(preview("http://quillmere.example/moved")).to include(title: "Quillmere Ferries", address: "http://quillmere.example/")
  end

  it "gives its picture to the client's files when that is wanted, by whoever may add pictures" do
    taken = world.act("Posts::PreviewLink", :ines, address: "http://quillmere.example/lamp", picture: true)
    expect(db[:media].where(id: taken[:media_id]).get(%i[kind mime width height])).to eq ["picture", "image/png", 1200, 630]
    expect(preview("http://quillmere.example/lamp", picture: true)[:media_id]).to be_nil
  end

  it "is not fetched from private addresses, however they are written, nor through a redirect" do
    ["http://127.0.0.1:4200/", "http://localhost/", "http://[::1]/", "http://10.0.0.8/x", "http://169.254.169.254/latest", "http://0x7f000001/", "http://2130706433/"].each do |address|
      expect(refused_at { preview(address) }.first).to eq("link_private").or eq("link_silent").or eq("bad_link").or eq("link_broken")
    end
    expect(refused_at { preview("http://127.0.0.1:4200/") }).to eq %w[link_private link]
  end

  it "that is gone, is no page or is not known says so at the field" do
    expect(refused_at { preview("http://quillmere.example/nowhere") }).to eq %w[link_broken link]
    expect(refused_at { preview("http://quillmere.example/picture.png") }).to eq %w[link_broken link]
    expect(refused_at { preview("http://name-that-is-not-known.invalid/") }).to eq %w[link_silent link]
    expect(refused_at { preview("not an address") }).to eq %w[bad_link link]
  end

  it "that never answers is given up, and that is larger than the limit is read as far as that" do
    reader = AskFirst::Edge::Pages::Reader.new(world.settings.private_hosts)
    expect { reader.get("http://quillmere.example/slow", seconds: 0.4) }.to raise_error(AskFirst::Core::Checks::Unreadable) { |error| expect(error.state).to eq "silent" }
    slow_names = AskFirst::Edge::Pages::Reader.new({}, names: ->(_) { sleep 30 })
    expect { slow_names.get("http://far.example/", seconds: 0.3) }.to raise_error(AskFirst::Core::Checks::Unreadable) { |error| expect(error.message).to include "no answer in time" }
    page = reader.get("http://quillmere.example/picture.png", limit: 100)
    expect([page.body.bytesize, page.cut]).to eq [100, true]
  end

  it "is looked at by a job after a save, and a dead one is a warning in its column" do
    post = world.draft(wall: "2026-10-20T07:30")
    world.write(post, "link", "http://quillmere.example/nowhere")
    process = AskFirst::App::Member.process(world.workspace, "dispatcher")
    expect(db[:que_jobs].where(job_class: "AskFirst::Jobs::LookAtLinks").where(Sequel.lit("args->>1 = ?", post)).count).to eq 2 # now, and a day before
    AskFirst::App::Checks::LookAtLinks.call(world.jobs, process, post_id: post)
    found = world.act("Posts::PostSheet", :ines, post_id: post)[:adaptations].first[:proof][:checks].find { |check| check[:code] == "link_dead" }
    expect(found[:sentence]).to eq "quillmere.example/nowhere is not there any more (404)."
    world.write(post, "link", "http://quillmere.example/lamp")
    AskFirst::App::Checks::LookAtLinks.call(world.jobs, process, post_id: post)
    expect(world.act("Posts::PostSheet", :ines, post_id: post)[:adaptations].flat_map { |one| one[:proof][:checks] }.map { |check| check[:code] }).not_to include "link_dead"
  end
end
