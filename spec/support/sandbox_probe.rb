# frozen_string_literal: true

# Readers that look around in the sandbox and misbehave in it, for the specs of its walls. Started in the place of
# edge/sandbox/run.rb this file is the template process; required, it gives the table.
require_relative "../../edge/sandbox/load" if $PROGRAM_NAME == __FILE__

# What a child could do that was taken over by a hostile file.
module SandboxProbe
  SANDBOX = AskFirst::Edge::Sandbox
  SHAPE = SANDBOX::Shape
  MB = 1024 * 1024
  LIMITS = SANDBOX::Limits.new(cpu: 1, wall: 3, memory: 1_024 * MB, file: MB, takes: MB, answers: MB).freeze

  DEEP = ->(level) { DEEP.call(level + 1) }
  ANY = ->(value) { value }
  CALLS = {
    environment: ->(*) { ENV.keys },
    entries: ->(input, *) do
      Dir.children(input["folder"])
    rescue SystemCallError
      []
    end,
    connects: ->(input, *) do
      TCPSocket.new("127.0.0.1", input["port"]).close
      true
    rescue SystemCallError
      false
    end,
    processes: ->(*) { Dir.glob("/proc/[0-9]*").size },
    spins: ->(*) { loop {} },
    sleeps: ->(*) { sleep },
    counts: ->(_, _, paths) do
      20.times do
        File.write(paths[0], ".", mode: "a")
        sleep 0.05
      end
      File.size(paths[0])
    end,
    eats: ->(*) { "x" * (3 * 1_024 * MB) },
    writes: ->(_, _, paths) { File.write(paths[0], "x" * (2 * MB)) },
    recurses: ->(*) { DEEP.call(0) },
    dies: ->(*) { Process.kill("KILL", Process.pid) },
    answers_much: ->(*) { "x" * (2 * MB) },
    answers_oddly: ->(*) { { "title" => 1, "more" => true } },
    leaves_somebody: ->(_, _, paths) do
      File.open(paths[0]) do |file|
        file.flock(File::LOCK_EX)
        system("sleep", "1000", out: File::NULL, in: file)
      end
    end
  }.freeze
  TABLE =
    SANDBOX::Readers::TABLE.merge(
      CALLS.to_h do |name, call|
        shape = name == :answers_oddly ? SHAPE.fields(title: SHAPE.text(10)) : ANY
        [name, SANDBOX::Readers::Reader.new(limits: LIMITS, shape: shape, call: call)]
      end
    )

  # @return [AskFirst::Edge::Sandbox] whose children have these readers too
  def self.sandbox(example, **options)
    example.stub_const("#{SANDBOX}::Readers::TABLE", TABLE)
    example.stub_const("#{SANDBOX}::Template::RUN", __FILE__)
    SANDBOX.new(**options)
  end
end

if $PROGRAM_NAME == __FILE__
  AskFirst::Edge::Sandbox::Readers.send(:remove_const, :TABLE)
  AskFirst::Edge::Sandbox::Readers.const_set(:TABLE, SandboxProbe::TABLE)
  AskFirst::Edge::Sandbox::Forks.new(UNIXSocket.for_fd(Integer(ARGV.fetch(0))), Integer(ARGV.fetch(1))).run
end
