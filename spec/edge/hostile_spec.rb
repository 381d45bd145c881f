# frozen_string_literal: true

# Every reader of outside data, given what nobody should send: it answers, refuses or is ended, tells nothing of our
# files, and asks nobody. READER_SHOTS says how many damaged files beside the known attacks (bin/fuzz --readers),
# FUZZ_SEED which.
RSpec.describe "Hostile files" do
  let(:seed) { Integer(ENV.fetch("FUZZ_SEED") { rand(1_000_000).to_s }) }
  let(:sandbox) { Infrastructure.sandbox }

  before do
    @secret = Tempfile.create("secret").tap { |file| file.write("CANARY-IN-A-FILE") && file.close }
    @asked = 0
    @server = TCPServer.new("127.0.0.1", 0)
    @listening =
      Thread.new do
        loop do
          @server.accept.close
          @asked += 1
        end
      end
  end

  after do
    @listening.kill
    @server.close
    File.unlink(@secret.path)
  end

  # @return [String] what came of it
  def read(sample)
    files = [sample.file, sample.font].compact.map { |bytes| file(bytes) }
    found = sandbox.call(sample.reader, sample.input, bytes: [sample.bytes].compact, files: files)
    return "told: #{sample.name}" if found.inspect.include?("CANARY")

    "read"
  rescue AskFirst::Core::Invalid, AskFirst::Core::Checks::Unreadable
    "refused"
  rescue AskFirst::Edge::Sandbox::Exceeded
    "ended"
  rescue AskFirst::Edge::Sandbox::Failed
    "failed"
  ensure
    files&.each(&:close)
  end

  def file(bytes)
    Tempfile
      .new("hostile", binmode: true)
      .tap do |one|
        one.write(bytes)
        one.flush
      end
  end

  it "are read, refused or ended; none tells a file of ours or asks a server, and every reader goes on" do
    hostile = Hostile.new(seed, secret: @secret.path, server: @server.addr[1])
    shots = Integer(ENV.fetch("READER_SHOTS", "60"))
    known = hostile.known
    expect(known.map(&:reader).uniq).to match_array(AskFirst::Edge::Sandbox::Readers::TABLE.keys - %i[render edit_film])
    samples = known + Array.new(shots) { hostile.damaged }
    queue = Queue.new.tap { |all| samples.each { |one| all << one } }.close
    came =
      Array
        .new(2) { Thread.new { [].tap { |found| (one = queue.pop) && (found << read(one)) until queue.empty? } } }
        .flat_map(&:value)
    expect([seed, came.grep(/told/)]).to eq [seed, []]
    expect(@asked).to eq 0
    expect(came.tally.keys - %w[read refused ended failed]).to eq []
    puts came.tally.inspect if shots > 60
    expect(sandbox.call(:page, { address: "http://a.example/" }, bytes: ["<title>Fog</title>"])[:title]).to eq "Fog"
  end
end
