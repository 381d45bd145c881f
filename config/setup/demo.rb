# frozen_string_literal: true

require "fileutils"
require "json"
require "securerandom"
require "time"
require_relative "cluster"

module Setup
  # Where the demo of this folder keeps what it has, for the commands that run it, back it up and bring it back.
  module Demo
    DATABASE = "ask_first_demo"
    HOME = File.join(VAR, "demo")
    RUNNING = File.join(VAR, "start.json")

    module_function

    # One command at a time works with it.
    # @raise [Stopped] where it runs already
    def alone
      FileUtils.mkdir_p(VAR)
      File.open(File.join(VAR, "start.lock"), File::RDWR | File::CREAT) do |file|
        unless file.flock(File::LOCK_EX | File::LOCK_NB)
          raise Stopped, "Ask First is running from this folder already: #{running_at}"
        end

        yield
      end
    end

    def running_at
      JSON.parse(File.read(RUNNING))["url"]
    rescue SystemCallError, JSON::ParserError
      "its address is in the other window"
    end

    # @return [Hash, nil] the environment of a running demo
    def running
      JSON.parse(File.read(RUNNING))["env"] if File.exist?(RUNNING)
    end

    # With its PostgreSQL alone.
    # @yieldparam environment [Hash]
    def still
      alone do
        cluster = Cluster.new("postgres").ensure_running
        yield environment(cluster)
        seeded!
      ensure
        cluster&.stop
      end
    end

    # What hangs on no port.
    def environment(cluster)
      cluster.environment(DATABASE).merge(
        "ASK_FIRST_SECRET" => secret,
        "ASK_FIRST_FILES" => File.join(HOME, "files"),
        "ASK_FIRST_CLOCK_OFFSET" => offset.to_s
      )
    end

    # One secret for this folder: it opens sessions and channel tokens again at the next start.
    def secret
      path = File.join(VAR, "secret")
      File.write(path, SecureRandom.hex(48), perm: 0o600) unless File.exist?(path)
      File.read(path)
    end

    # Seconds that the demo's clock is ahead, so that it starts at ASK_FIRST_NOW.
    def offset
      wanted = ENV.fetch("ASK_FIRST_NOW", nil)
      wanted ? Time.iso8601(wanted) - Time.now : 0.0
    rescue ArgumentError
      raise Stopped, "ASK_FIRST_NOW must be a moment such as 2026-10-14T10:20:00+01:00."
    end

    def seeded? = File.exist?(File.join(HOME, "seeded"))

    def seeded!
      FileUtils.mkdir_p(HOME)
      FileUtils.touch(File.join(HOME, "seeded"))
    end
  end
end
