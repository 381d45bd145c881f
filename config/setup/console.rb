# frozen_string_literal: true

# Progress and refusals of the set-up, in plain words. Standard library only: it runs before any gem is there.
module Setup
  # Raised when set-up cannot go on; its message says what is missing and what to do.
  class Stopped < StandardError
  end

  ROOT = File.expand_path("../..", __dir__)
  VAR = File.join(ROOT, "var")

  module_function

  # Prints one line of progress.
  def say(line)
    $stdout.puts(line)
    $stdout.flush
  end

  # Runs a command with its output in a log file and a ticking line, so that a long wait is seen to go on.
  # @param title [String] what is being done, for the person
  # @param log [String] path of the log file
  # @raise [Stopped] with the end of the log when the command fails
  def run(title, *command, log:, env: {}, chdir: ROOT)
    started = Process.clock_gettime(Process::CLOCK_MONOTONIC)
    say "#{title} …"
    pid = Process.spawn(env, *command, chdir: chdir, out: [log, "a"], err: %i[child out], in: File::NULL)
    status = wait_ticking(pid, title, started)
    return if status.success?

    tail = File.readlines(log).last(12).join
    raise Stopped, "#{title}: this failed (#{command.join(" ")}).\n#{tail}The whole output is in #{log}."
  end

  def wait_ticking(pid, title, started)
    next_tick = started + 15
    loop do
      done, status = Process.wait2(pid, Process::WNOHANG)
      return status if done

      now = Process.clock_gettime(Process::CLOCK_MONOTONIC)
      if now >= next_tick
        say "  still: #{title.downcase}, #{(now - started).round} s"
        next_tick = now + 15
      end
      sleep 0.05
    end
  end

  # Only one set-up at a time touches what both commands share (packages, gems, the built front end).
  def exclusively
    FileUtils.mkdir_p(VAR)
    File.open(File.join(VAR, "setup.lock"), File::RDWR | File::CREAT) do |file|
      unless file.flock(File::LOCK_EX | File::LOCK_NB)
        say "Another set-up is at work in this folder; waiting for it …"
        file.flock(File::LOCK_EX)
      end
      yield
    end
  end

  def root?
    Process.uid.zero?
  end
end
