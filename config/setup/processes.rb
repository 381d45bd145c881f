# frozen_string_literal: true

require "net/http"
require "socket"
require_relative "console"

module Setup
  # Starts our own processes so that they never outlive us, waits until they answer, and stops them.
  class Processes
    Running = Struct.new(:name, :pid, :command, :env, :log, :keep, keyword_init: true)

    def initialize
      @running = []
    end

    # @param keep [Boolean] start it again when it ends by itself
    def start(name, *command, env:, log:, keep: false)
      pid = spawn_one(command, env, log)
      @running << Running.new(name: name, pid: pid, command: command, env: env, log: log, keep: keep)
      pid
    end

    # @raise [Stopped] with the end of its log when it is not up in time
    def wait_for(name, port, path: nil, seconds: 90)
      deadline = Process.clock_gettime(Process::CLOCK_MONOTONIC) + seconds
      until answers?(port, path)
        one = @running.find { |running| running.name == name }
        gone = one && Process.wait(one.pid, Process::WNOHANG)
        if gone || Process.clock_gettime(Process::CLOCK_MONOTONIC) > deadline
          raise Stopped, "#{name} did not start. Its last words:\n#{File.readlines(one.log).last(15).join}"
        end

        sleep 0.1
      end
    end

    # Watches until the block says to stop; starts again what must be kept up.
    def watch
      until yield
        @running.each { |one| revive(one) }
        sleep 0.3
      end
    end

    def stop
      @running.reverse_each { |one| signal("TERM", one.pid) }
      deadline = Process.clock_gettime(Process::CLOCK_MONOTONIC) + 10
      @running.each do |one|
        until gone?(one.pid)
          signal("KILL", one.pid) if Process.clock_gettime(Process::CLOCK_MONOTONIC) > deadline
          sleep 0.05
        end
      end
      @running.clear
    end

    def self.free_port(wanted = nil)
      TCPServer.open("127.0.0.1", wanted || 0) { |server| server.addr[1] }
    rescue Errno::EADDRINUSE
      free_port
    end

    private

    # setpriv makes the kernel end the child when we are killed, so nothing is left that stops the next run.
    def spawn_one(command, env, log)
      Process.spawn(
        env,
        "setpriv",
        "--pdeathsig",
        "TERM",
        *command,
        chdir: ROOT,
        out: [log, "a"],
        err: %i[child out],
        in: File::NULL
      )
    end

    def revive(one)
      return unless one.keep && gone?(one.pid)

      sleep 0.5
      one.pid = spawn_one(one.command, one.env, one.log)
    end

    def gone?(pid)
      !Process.wait(pid, Process::WNOHANG).nil?
    rescue Errno::ECHILD
      true
    end

    def signal(name, pid)
      Process.kill(name, pid)
    rescue Errno::ESRCH
      nil
    end

    def answers?(port, path)
      return TCPSocket.open("127.0.0.1", port) { true } if path.nil?

      Net::HTTP.get_response("127.0.0.1", path, port).is_a?(Net::HTTPSuccess)
    rescue SystemCallError, IOError, Net::OpenTimeout, Net::ReadTimeout
      false
    end
  end
end
