# frozen_string_literal: true

require "open3"
require "tempfile"

module AskFirst
  module Edge
    module Files
      # Runs a program of the system on a file, for a limited time and within limited memory: what it reads was made
      # by somebody else.
      module Tools
        SECONDS = 120
        MEMORY = 2 * 1024 * 1024 * 1024 # bytes of address space

        module_function

        # @return [String, nil] what it wrote; nil when it failed or took too long
        def run(*command, seconds: SECONDS)
          out, status =
            Open3.capture2(
              "timeout",
              "--foreground", # it stays in the group of processes that is ended with the reading
              seconds.to_s,
              "prlimit",
              "--as=#{MEMORY}",
              *command,
              err: ::File::NULL,
              binmode: true
            )
          out if status.success?
        end

        # @param io [IO]
        # @yieldparam path [String] of a file with its bytes
        def at_path(io)
          io.rewind
          return yield io.path if io.respond_to?(:path) && io.path

          Tempfile.create("media", binmode: true) do |file|
            IO.copy_stream(io, file)
            file.flush
            yield file.path
          end
        end
      end
    end
  end
end
