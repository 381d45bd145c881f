# frozen_string_literal: true

require_relative "../support/sandbox_probe"

# The walls and limits of the sandbox, tried by readers that do what a hostile file could have them do.
RSpec.describe AskFirst::Edge::Sandbox do
  let(:hidden) { Dir.mktmpdir("hidden").tap { |folder| File.write(File.join(folder, "client.txt"), "ours") } }
  let(:sandbox) { SandboxProbe.sandbox(self, hide: [hidden]) }
  let(:exceeded) { raise_error(described_class::Exceeded) }

  after do
    sandbox.stop
    FileUtils.rm_rf(hidden)
  end

  it "gives a reading nothing of our environment" do
    stub_const("ENV", ENV.to_h.merge("ASK_FIRST_SECRET" => "x", "ASK_FIRST_JOBS_URL" => "y", "ANYTHING" => "z"))
    expect(sandbox.call(:environment).grep(/ASK_FIRST|ANYTHING/)).to eq []
    expect(sandbox.call(:environment)).to include "PATH"
  end

  it "has no network, sees no process and no folder of ours, where the system lets it" do
    skip "this system gives no namespaces" unless described_class::Template.walls?
    server = TCPServer.new("127.0.0.1", 0)
    expect(sandbox.call(:connects, { port: server.addr[1] })).to be false
    expect(sandbox.call(:entries, { folder: hidden })).to eq []
    expect(sandbox.call(:processes)).to be < 10
  ensure
    server&.close
  end

  it "also reads where the system gives no walls, within the same limits" do
    allow(described_class::Template).to receive(:walls?).and_return(false)
    expect(sandbox.call(:entries, { folder: hidden })).to eq ["client.txt"]
    expect { sandbox.call(:spins) }.to exceeded
    expect { sandbox.call(:sleeps) }.to exceeded
    expect(sandbox.call(:environment).grep(/ASK_FIRST/)).to eq []
  end

  it "ends what takes too much processor time, too long, too much memory, or writes too much" do
    %i[spins sleeps].each { |name| expect { sandbox.call(name) }.to exceeded }
    expect { sandbox.call(:eats) }.to raise_error(described_class::Failed, /NoMemoryError/)
    Tempfile.create("target") { |file| expect { sandbox.call(:writes, files: [file]) }.to exceeded }
  end

  it "is not waited for longer than its caller can; what was given up says nothing about the file, and ends" do
    impatient = SandboxProbe.sandbox(self, patience: 1)
    away = raise_error(AskFirst::Core::Away, /not read in time/)
    expect { impatient.call(:sleeps) }.to away
    Tempfile.create("lock") do |file|
      expect { impatient.call(:leaves_somebody, files: [file]) }.to away
      expect(file.flock(File::LOCK_EX)).to eq 0
    end
  ensure
    impatient.stop
  end

  it "stops readings where they are, and none of their time passes until they go on" do
    counted = Tempfile.new("counted")
    reading = Thread.new { sandbox.call(:counts, files: [counted]) }
    sleep 0.05 until counted.size.positive?
    sandbox.pause
    sleep 0.3 # what was under way has stopped
    before = counted.size
    sleep SandboxProbe::LIMITS.wall + described_class::GRACE + 0.5
    expect(counted.size).to eq before
    sandbox.go_on
    expect(reading.value).to be_positive
  ensure
    counted&.close!
  end

  it "ends with a reading whatever it has started" do
    Tempfile.create("lock") do |file|
      expect { sandbox.call(:leaves_somebody, files: [file]) }.to exceeded
      expect(file.flock(File::LOCK_EX)).to eq 0 # waits for as long as anybody holds it
    end
  end

  it "takes no answer that is too long, of another shape, or from a child that died; and goes on after each" do
    expect { sandbox.call(:answers_much) }.to raise_error(described_class::Failed, /longer/)
    expect { sandbox.call(:answers_oddly) }.to raise_error(described_class::Failed, /expected/)
    expect { sandbox.call(:dies) }.to exceeded
    expect { sandbox.call(:recurses) }.to raise_error(described_class::Failed, /SystemStackError/)
    expect(sandbox.call(:environment)).to include "PATH"
  end

  it "looks at the size before anything is read" do
    expect { sandbox.call(:environment, bytes: ["x" * (SandboxProbe::MB + 1)]) }.to raise_error(
      described_class::Exceeded,
      /more than/
    )
  end

  it "starts again when its template was killed, and ends it with itself" do
    sandbox.call(:environment)
    template = sandbox.instance_variable_get(:@template)
    first = template.instance_variable_get(:@pid)
    Process.kill("KILL", -first)
    Process.wait(first)
    expect(sandbox.call(:environment)).to include "PATH"
    second = template.instance_variable_get(:@pid)
    folder = template.instance_variable_get(:@folder)
    sandbox.stop
    expect { Process.kill(0, second) }.to raise_error(Errno::ESRCH)
    expect(File.exist?(folder)).to be false
  end

  it "reads several at once, and leaves no child behind" do
    found = Array.new(12) { Thread.new { sandbox.call(:environment) } }.map(&:value)
    expect(found).to all(include("PATH"))
    left = -> { described_class::Template.walls? ? sandbox.call(:processes) : 0 }
    # the template, this reading, and one that just ends: the others end a little later on a busy machine
    50.times { left.call > 4 ? sleep(0.1) : break }
    expect(left.call).to be <= 4
  end
end
