# frozen_string_literal: true

require "fileutils"
require "io/wait"
require "socket"
require "tmpdir"

module AskFirst
  module Edge
    class Sandbox
      # What the template process does: a child for each reading, until nobody is there any more to tell it of one.
      class Forks
        MESSAGE = 200 # bytes: the name of a reader, and the seconds that it may take
        LOOK_EVERY = 0.2 # seconds, while somebody reads
        # said instead of the name of a reader: all stop where they are, and go on
        PAUSE = "pause"
        GO_ON = "go on"

        # kill_at: on the monotonic clock, less the time that they rested · folder: for what it writes on its way
        Reading = Struct.new(:kill_at, :folder, keyword_init: true)
        private_constant :Reading

        # @param control [UNIXSocket] of whole messages (SEQPACKET)
        # @param nice [Integer] of each child; the template itself is as quick as whoever started it
        def initialize(control, nice)
          @control = control
          @nice = nice
          @children = {}
          @rest = Rest.new
        end

        def run
          loop do
            ready = @control.wait_readable(@children.empty? ? nil : LOOK_EVERY)
            break if ready && !take
            bury
          end
        ensure
          @children.each_key { |pid| signal("KILL", pid) }
        end

        private

        # @return [Boolean] false when whoever told us is gone
        def take
          message, _, _, *rights = @control.recvmsg(MESSAGE, scm_rights: true)
          return false if message.nil? || message.empty?

          ios = rights.flat_map { |one| one.unix_rights || [] }
          hear(message, ios)
          true
        rescue Errno::ECONNRESET
          false
        ensure
          ios&.each(&:close)
        end

        def hear(message, ios)
          case message
          when PAUSE
            @rest.begin && @children.each_key { |pid| signal("STOP", pid) }
          when GO_ON
            @rest.end && @children.each_key { |pid| signal("CONT", pid) }
          else
            name, seconds = message.split
            begin_child(name, Float(seconds), ios)
          end
        end

        def begin_child(name, seconds, ios)
          limits = Readers.fetch(name).limits
          folder = Dir.mktmpdir("reading")
          pid = fork { one(name, limits, folder, ios) }
          @children[pid] = Reading.new(kill_at: clock - @rest.seconds + seconds, folder: folder)
        end

        # In the child. What it says of its own goes to the log until it reads; nothing of it outlives the answer.
        def one(name, limits, folder, ios)
          Process.setsid
          @control.close
          Process.setpriority(Process::PRIO_PROCESS, 0, [@nice, Process.getpriority(Process::PRIO_PROCESS, 0)].max)
          ENV["TMPDIR"] = folder
          limits.apply
          socket, *files = ios
          Child.answer(name, limits, socket, files)
        rescue StandardError => e
          warn e.full_message(highlight: false)
        ensure
          exit!(0)
        end

        def bury
          while (pid = Process.wait(-1, Process::WNOHANG))
            gone(pid)
          end
        rescue Errno::ECHILD
          nil
        ensure
          late = @children.select { |_, child| child.kill_at < clock - @rest.seconds }
          late.each_key { |pid| signal("KILL", pid) }
        end

        def gone(pid)
          child = @children.delete(pid) or return
          FileUtils.rm_rf(child.folder)
        end

        # With whatever it has started: it leads a group of its own.
        def signal(name, pid)
          Process.kill(name, -pid)
        rescue Errno::ESRCH
          nil
        end

        def clock = Process.clock_gettime(Process::CLOCK_MONOTONIC)
      end
    end
  end
end
