# frozen_string_literal: true

require "json"

module AskFirst
  module Edge
    class Sandbox
      # Messages between a process and the child that reads for it: a line of JSON that says how long what follows is,
      # then bytes. Nothing but JSON and bytes crosses: a value that the child invents cannot become an object of ours.
      class Wire
        DEPTH = 12 # of an answer's JSON
        HEAD = 200 # bytes of the line at most
        CHUNK = 64 * 1024

        # The other side closed before its message was whole.
        class Closed < StandardError
        end
        # The time is over.
        class Late < StandardError
        end
        # The message is no message, or longer than was agreed.
        class Odd < StandardError
        end

        # @param socket [UNIXSocket]
        # @param till [#call, nil] gives a time of the monotonic clock; nil waits as long as it takes
        def initialize(socket, till: nil)
          @socket = socket
          @till = till
          @read = String.new(encoding: Encoding::BINARY)
        end

        # @param value [Object] that JSON can say
        # @param blobs [Array<String>] bytes
        def write(value, blobs = [])
          body = JSON.generate(value)
          send_all("#{JSON.generate([body.bytesize, *blobs.map(&:bytesize)])}\n")
          [body, *blobs].each { |part| send_all(part) }
        end

        # @param most [Integer] bytes of the whole message
        # @return [Array(Object, Array<String>)] the value, and the bytes that came with it
        # @raise [Closed, Late, Odd]
        def read(most:)
          sizes = JSON.parse(line)
          raise Odd, "a head that is none" unless sizes.is_a?(Array) && sizes.any? && sizes.all? { |one| size?(one) }
          raise Odd, "longer than #{most} bytes" if sizes.sum > most

          body, *blobs = sizes.map { |size| take(size) }
          [JSON.parse(body.force_encoding(Encoding::UTF_8), max_nesting: DEPTH), blobs]
        rescue JSON::ParserError
          raise Odd, "no JSON"
        end

        private

        def size?(value) = value.is_a?(Integer) && value >= 0

        def line
          until (at = @read.index("\n")) || @read.bytesize > HEAD
            more
          end
          raise Odd, "a head without an end" unless at

          @read.slice!(0, at + 1)
        end

        def take(size)
          more until @read.bytesize >= size
          @read.slice!(0, size)
        end

        def more
          @read << @socket.read_nonblock(CHUNK)
        rescue IO::WaitReadable
          wait([@socket], nil)
          retry
        rescue EOFError, Errno::ECONNRESET
          raise Closed
        end

        def send_all(bytes)
          at = 0
          while at < bytes.bytesize
            begin
              at += @socket.write_nonblock(bytes.byteslice(at, CHUNK))
            rescue IO::WaitWritable
              wait(nil, [@socket])
            end
          end
        rescue Errno::EPIPE, Errno::ECONNRESET
          raise Closed
        end

        def wait(reading, writing)
          left = @till && [@till.call - Process.clock_gettime(Process::CLOCK_MONOTONIC), 0].max
          return if IO.select(reading, writing, nil, left)
          raise Late unless @till.call > Process.clock_gettime(Process::CLOCK_MONOTONIC)

          wait(reading, writing) # it was stopped meanwhile
        end
      end
    end
  end
end
