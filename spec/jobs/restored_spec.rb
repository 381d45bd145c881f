# frozen_string_literal: true

require_relative "../../bench/crowd"
require_relative "../../config/keeping/backup"
require_relative "../../config/keeping/restore"

# The whole round: backed up while posts go out, sent on, taken back and changed, then brought back. One network can
# be asked for an id, the other neither that nor does it count an id once.
RSpec.describe "A backup that is restored", :database do
  keeping = AskFirst::Keeping
  own = nil

  before(:all) do
    own =
      SpecWorld.new(
        clock: AskFirst::Edge::Clock.new,
        ASK_FIRST_FILES: File.join(Infrastructure.folder, "restored"),
        ASK_FIRST_POLL: "0.1"
      )
    @into = Dir.mktmpdir("ask-first-backup")
  end

  after(:all) do
    own.world.control("vitrine/card", { same_id_once: true })
    own.close
    FileUtils.rm_rf(@into)
    Infrastructure.admin(Infrastructure.cluster) do |admin|
      admin[:pg_database]
        .where(Sequel.like(:datname, "#{own.name}\\_%"))
        .select_map(:datname)
        .each { |name| admin.run("DROP DATABASE #{name}") }
    end
  end

  before { Que.connection = own.environment.db }
  after { stop }

  def start
    @keeper =
      Process.spawn(
        own_variables,
        "ruby",
        "bin/dispatcher",
        chdir: Setup::ROOT,
        pgroup: true,
        out: [Infrastructure.log("restored"), "w"],
        err: %i[child out]
      )
  end

  def stop
    return unless @keeper

    Process.kill("TERM", @keeper)
    Process.wait(@keeper)
    @keeper = nil
  end

  define_method(:own) { own }
  define_method(:keeping) { keeping }
  def own_variables = own.variables
  def db = own.owner
  def time(seconds) = AskFirst::Core::Plan::WallTime.at(Time.now.utc + seconds, "Europe/Lisbon").to_h

  # @return [Array<String>] posts of one network, all due at one second
  def released(network, count, seconds)
    first = own.draft(channels: [network], wall: nil, picture: network == :vitrine)
    own.write(first, "time", time(300), who: :ines)
    own.clear(first)
    own.write(first, "time", time(seconds), who: :ines)
    own.release(first)
    crowd = Bench::Crowd.new(db)
    crowd.multiply(first, count - 1)
    [first, *crowd.ids(first, count - 1)]
  end

  # How often each post is at its network.
  def at_network(posts)
    there =
      %w[ticker vitrine]
        .flat_map do |network|
          JSON.parse(Net::HTTP.get(URI("#{Infrastructure.stand_ins[:url]}/control/#{network}/quillmere/posts")))
        end
        .map { |one| one["send_id"] }
        .tally
    db[:showings]
      .where(post_id: posts)
      .select_map(%i[post_id id])
      .to_h { |post, id| [post, there.fetch(AskFirst::Core::Dispatch::SendId.for(id), 0)] }
  end

  def states(posts) = db[:showings].where(post_id: posts).select_map(:state).tally

  def eventually(seconds = 40)
    deadline = Time.now + seconds
    until yield
      if Time.now > deadline
        raise "it did not happen within #{seconds} s: #{File.readlines(Infrastructure.log("restored")).last(3).join}"
      end

      sleep 0.2
    end
  end

  def back_up = keeping::Backup.call(own.settings, into: Dir.mktmpdir(nil, @into), now: Time.now)

  def restore(folder, **wish)
    [own.environment.db, own.owner].each(&:disconnect)
    keeping::Restore.call(
      own.settings,
      from: folder.path,
      wish: keeping::Restore::Wish.new(replace: true, **wish),
      now: Time.now
    )
  end

  def log =
    AskFirst::App::Dispatch::DispatchLog.call(
      own.environment,
      AskFirst::Store::Scope.new(
        own.environment.db,
        workspace_ids: [own.workspace],
        person_id: own.person(:ines),
        side: "agency"
      )
    )
  def confirm(posts, answer, **more) =
    own.act(
      "Dispatch::Confirm",
      :ines,
      showing_ids: db[:showings].where(post_id: posts).select_map(:id),
      answer: answer,
      **more
    )

  it "sends nothing twice, nothing that was taken back, and nothing before somebody has looked" do
    own.world.control("vitrine/card", { same_id_once: false })
    start
    asked = released(:ticker, 8, 45) # far enough that a slow machine has backed up before
    unknown = released(:vitrine, 6, 45)
    under_way = released(:ticker, 10, 5)
    eventually { states(under_way).fetch("out", 0).positive? }
    folder = back_up # while they go out
    gone = asked.first(3) + unknown.first(2)
    gone.each { |post| own.act("Dispatch::TakeBack", :ines, post_id: post) }
    went = under_way + asked.drop(3) + unknown.drop(2)
    eventually(120) { states(went) == { "out" => went.size } }
    stop
    expect(restore(folder)).to start_with "#{own.name}_before_"

    start
    all = under_way + asked + unknown
    eventually { db[:showings].exclude(ask_at: nil).none? }
    sleep 2
    expect(at_network(all)).to eq(went.to_h { |post| [post, 1] }.merge(gone.to_h { |post| [post, 0] }))
    expect(states(under_way + asked.drop(3))).to eq("out" => 15) # found there
    expect(log[:returned]).to include(why: "The database was restored from a backup.", looked_at: nil)
    waiting = log[:unconfirmed][:rows].map { |row| row[:post_id] }
    expect(waiting).to match_array(asked.first(3) + unknown)

    AskFirst::App::Agency::GoOn.call(
      own.environment,
      AskFirst::App::AgencyPerson.load(own.environment, own.person(:bram))
    )
    unknown.drop(2).each_with_index { |post, n| confirm([post], "out", address: "https://vitrine.example/#{n}") }
    expect(confirm(gone.drop(1), "take_back")[:done].size).to eq 4
    confirm(gone.first(1), "send")
    eventually { states(gone.first(1)) == { "out" => 1 } }
    sleep 1
    expect(at_network(all)).to eq(
      went.to_h { |post| [post, 1] }.merge(gone.to_h { |post| [post, post == gone.first ? 1 : 0] })
    )
    expect(log[:unconfirmed][:count]).to eq 0
    stop

    File.delete(File.join(own.settings.files, folder.files.first))
    restore(folder)
    expect(folder.files.all? { |name| File.size?(File.join(own.settings.files, name)) }).to be true
  end

  describe "refuses" do
    let(:folder) { back_up }

    it "one that is damaged or cut short, and says what" do
      File.write(folder.at("database.dump"), "x", mode: "a")
      expect { restore(folder) }.to raise_error keeping::Stopped, /damaged: database.dump \(1 of/
      File.delete(folder.at("backup.json"))
      expect { restore(folder) }.to raise_error keeping::Stopped, /no whole backup/
    end

    it "another secret, unless one says so" do
      facts = folder.facts
      folder.write_facts(facts.transform_keys(&:to_sym).merge(secret: "0" * 16))
      folder.write_sums
      expect { restore(folder) }.to raise_error keeping::Stopped, /ASK_FIRST_SECRET is not the one of this backup/
      expect(restore(folder, other_secret: true)).to start_with own.name
    end

    it "a database that is there, and one that people are in" do
      expect { restore(folder, replace: false) }.to raise_error keeping::Stopped, /With --replace it is set aside/
      folder
      Sequel.connect(own.settings.owner_url) do |other|
        other.get(1)
        expect { restore(folder) }.to raise_error keeping::Stopped, /1 connections .* Stop the web processes/
      end
    end
  end

  it "leaves out what is still coming in" do
    coming = own.environment.files.uploads(own.workspace, own.person(:ines))
    coming.create_file("0" * 32)
    expect(back_up.files.grep(/uploads/)).to eq []
  end

  it "names the secret that belongs to it, holds no other, and can be checked by hand" do
    folder = back_up
    expect(Dir.children(folder.path)).to match_array %w[roles.sql database.dump files backup.json SHA256SUMS]
    expect(system("sha256sum", "--check", "--quiet", "SHA256SUMS", chdir: folder.path)).to be true
    expect(folder.facts).to include(
      "secret" => AskFirst::Keeping::Folder.fingerprint(Infrastructure::SECRET),
      "database" => own.name
    )
    expect(File.read(folder.at("backup.json"))).not_to include Infrastructure::SECRET
    expect(File.stat(folder.at("roles.sql")).mode & 0o077).to eq 0
  end
end
