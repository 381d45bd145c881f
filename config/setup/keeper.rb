# frozen_string_literal: true

require "English"

module Setup
  # Keeps one process up. The process itself ends when the database goes away (a restart, a failover); its keeper starts
  # it again, at first at once, then with growing waits. TERM and INT stop both, and what was begun is finished.
  class Keeper
    RUN = File.expand_path("../../jobs/run.rb", __dir__)
    LONG = 10 # seconds that a process must have lived to be started again at once
    FIRST = 0.2
    MOST = 5

    # @param process [String] Dispatcher or Worker
    def initialize(process)
      @process = process
      @child = nil
      @stopping = false
    end

    def run
      %w[TERM INT].each { |signal| trap(signal) { stop } }
      wait = FIRST
      until @stopping
        lived = one
        break if @stopping

        wait = lived > LONG ? FIRST : [wait * 2, MOST].min
        warn "the #{@process.downcase} ended (#{$CHILD_STATUS.to_i}); it is started again in #{wait} s"
        sleep wait
      end
    end

    private

    def stop
      @stopping = true
      Process.kill("TERM", @child) if @child
    rescue Errno::ESRCH
      nil
    end

    # @return [Float] seconds that it lived
    def one
      started = Process.clock_gettime(Process::CLOCK_MONOTONIC)
      # one name for all that it starts one after the other: whoever has it now knows that the one before has ended
      env = { "ASK_FIRST_KEEPER" => Process.pid.to_s }
      @child = Process.spawn(env, "setpriv", "--pdeathsig", "TERM", "ruby", *quick, RUN, @process)
      Process.kill("TERM", @child) if @stopping # told while it was being started
      Process.wait(@child)
      @child = nil
      Process.clock_gettime(Process::CLOCK_MONOTONIC) - started
    end

    # Ruby compiles what runs often where it can.
    def quick
      @quick ||= system("ruby", "--yjit", "-e", "1", out: File::NULL, err: File::NULL) ? ["--yjit"] : []
    end
  end
end
