# frozen_string_literal: true

require_relative "../../config/setup/packages"

# The private PostgreSQL that both commands start: idempotent, on loopback, and not to be stopped by a killed run.
RSpec.describe Setup::Cluster do
  let(:cluster) { described_class.new("postgres-setup-spec", durable: false) }

  after do
    cluster.stop(mode: "immediate")
    FileUtils.rm_rf(cluster.home)
  end

  def rows(sql)
    Sequel.connect(cluster.url("postgres", "postgres")) { |db| db[sql].all }
  end

  it "makes itself from nothing, and the second start finds it running" do
    cluster.ensure_running
    port = cluster.port
    expect(cluster.ensure_running.port).to eq port
    expect(rows("SELECT 1 AS one")).to eq [{ one: 1 }]
  end

  it "listens on loopback only and wants a password" do
    cluster.ensure_running
    expect(rows("SHOW listen_addresses").first.values).to eq ["127.0.0.1"]
    wrong = cluster.url("postgres", "postgres").sub(cluster.password, "guess")
    expect { Sequel.connect(wrong) { |db| db.get(1) } }.to raise_error(Sequel::DatabaseConnectionError, /password/)
  end

  it "does not run as root" do
    cluster.ensure_running
    owner = File.stat(File.join(cluster.home, "data")).uid
    expect(owner).not_to be_zero
  end

  it "starts again after its server was killed" do
    cluster.ensure_running
    pid = File.readlines(File.join(cluster.home, "data/postmaster.pid")).first.to_i
    Process.kill("KILL", pid)
    sleep 0.3
    expect(cluster).not_to be_ready
    cluster.ensure_running
    expect(rows("SELECT 1 AS one")).to eq [{ one: 1 }]
  end

  it "is made anew when it was killed while it was being made" do
    FileUtils.mkdir_p(File.join(cluster.home, "data"))
    File.write(File.join(cluster.home, "data/PG_VERSION"), "15\n")
    expect(cluster.ensure_running).to be_ready
  end
end

RSpec.describe Setup::Packages do
  it "notices a change of what is stamped, and only that" do
    Dir.mktmpdir do |dir|
      stub_const("Setup::VAR", dir)
      stub_const("Setup::ROOT", dir)
      File.write(File.join(dir, "Gemfile"), "a")
      described_class.stamp("gems", "Gemfile")
      expect(described_class.fresh?("gems", "Gemfile")).to be true
      File.write(File.join(dir, "Gemfile"), "b")
      expect(described_class.fresh?("gems", "Gemfile")).to be false
      expect(described_class.fresh?("never", "Gemfile")).to be false
    end
  end
end

RSpec.describe Setup::Processes do
  it "says why when a process does not start, with its last words" do
    processes = described_class.new
    log = Tempfile.create("log").path
    processes.start("The thing", "ruby", "-e", "warn 'no such luck'; exit 1", env: {}, log: log)
    port = described_class.free_port
    expect { processes.wait_for("The thing", port, seconds: 10) }.to raise_error(
      Setup::Stopped,
      /The thing did not start.*no such luck/m
    )
  end

  it "starts again what must be kept up" do
    processes = described_class.new
    log = Tempfile.create("log").path
    processes.start("The thing", "ruby", "-e", "puts 'up'; $stdout.flush; sleep 0.1", env: {}, log: log, keep: true)
    deadline = Time.now + 8
    processes.watch { File.read(log).scan("up").size > 1 || Time.now > deadline }
    expect(File.read(log).scan("up").size).to be > 1
    processes.stop
  end
end
