# frozen_string_literal: true

require "fileutils"
require "socket"
require "tmpdir"

module AskFirst
  module Edge
    class Sandbox
      # The process that readings are forked from: started when the first one is wanted, again when it is gone, and
      # ended with us. It gets nothing of ours: no variable of the environment, no descriptor but the socket that we
      # tell it by. Where the system lets it, it lies in namespaces of its own (user, network, processes, mounts):
      # nothing can be reached over the network, our own process cannot be looked into, our folders are not there, and
      # whatever a reading started ends with the template.
      class Template
        RUN = ::File.expand_path("run.rb", __dir__)
        # what Ruby and the system's programs need to find themselves
        KEPT = %w[PATH GEM_HOME GEM_PATH GEM_ROOT RUBYOPT RUBYLIB BUNDLE_GEMFILE BUNDLE_PATH BUNDLE_APP_CONFIG].freeze
        WALLS = %w[unshare --user --map-root-user --net --ipc --pid --fork --kill-child --mount-proc].freeze
        TRIES = 50 # looks whether it has ended, 0.02 s apart
        # the folders are covered by empty ones, then the rights that this took are given away for good
        COVER = <<~SH
          while [ "$1" != -- ]; do mount -t tmpfs -o size=4k,mode=0 none "$1" || exit 1; shift; done; shift
          exec setpriv --no-new-privs --inh-caps=-all --bounding-set=-all "$@"
        SH

        # @param hide [Array<String>] folders that readings do not see
        # @param nice [Integer] of each reading
        def initialize(hide:, nice:)
          @hide = hide.map { |one| ::File.expand_path(one) }
          @nice = nice
          @lock = Mutex.new
        end

        # @param name [Symbol] of the reader
        # @param seconds [Numeric] after which it is ended
        # @param descriptors [Array<IO>] the socket of the call, then its files
        def begin_reading(name, seconds, descriptors)
          @lock.synchronize do
            start unless running?
            tell(name, seconds, descriptors)
          rescue Errno::EPIPE, Errno::ECONNRESET, Errno::ENOTCONN
            start # it died since
            tell(name, seconds, descriptors)
          end
        end

        # @param word [String] of Forks; where there is no template, there is nobody to be told
        def tell_all(word)
          @lock.synchronize { @control.sendmsg(word, 0) if running? }
        rescue Errno::EPIPE, Errno::ECONNRESET, Errno::ENOTCONN
          nil # it died since
        end

        def warm
          @lock.synchronize { start unless running? }
        end

        def stop
          @lock.synchronize { end_it if running? }
        end

        # @return [Boolean] whether this system gives readings namespaces of their own
        def self.walls?
          return @walls if defined?(@walls)

          @walls = system(*WALLS, "true", in: ::File::NULL, out: ::File::NULL, err: ::File::NULL) || false
        end

        private

        # A process that was forked off ours shares nothing with it.
        def running? = @pid && @owner == Process.pid

        def tell(name, seconds, descriptors)
          @control.sendmsg(
            "#{name} #{seconds.to_f}",
            0,
            nil,
            Socket::AncillaryData.unix_rights(*descriptors.map(&:to_io))
          )
        end

        def start
          end_it if running?
          @owner = Process.pid
          @folder = Dir.mktmpdir("ask-first-readings")
          @control, theirs = UNIXSocket.pair(Socket::SOCK_SEQPACKET)
          options = { theirs => theirs, :in => ::File::NULL, :out => ::File::NULL, :pgroup => true }
          @pid =
            Process.spawn(
              environment,
              *walls,
              "ruby",
              RUN,
              theirs.fileno.to_s,
              @nice.to_s,
              unsetenv_others: true,
              close_others: true,
              **options
            )
          theirs.close
          forget_at_exit
        end

        def environment
          ENV.to_h.slice(*KEPT).merge("LANG" => "C.UTF-8", "HOME" => @folder, "TMPDIR" => @folder)
        end

        def walls
          return [] unless self.class.walls?

          [*WALLS, "sh", "-c", COVER, "cover", *@hide.select { |one| ::File.directory?(one) }, "--"]
        end

        # It ends by itself, with its readings, when its socket is closed; what is stuck is not waited for.
        def end_it
          @control.close
          ended = (1..TRIES).any? { Process.wait(@pid, Process::WNOHANG) || !sleep(0.02) }
          unless ended
            Process.kill("KILL", -@pid)
            Process.wait(@pid)
          end
        rescue Errno::ESRCH, Errno::ECHILD
          nil
        ensure
          FileUtils.rm_rf(@folder)
          @pid = nil
        end

        def forget_at_exit
          return if @told

          @told = true
          at_exit { stop }
        end
      end
    end
  end
end
