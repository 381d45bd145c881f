# frozen_string_literal: true

require "semantic_logger"
require "socket"
require "timeout"

module AskFirst
  module Edge
    # Where everything is read that came from outside: files, pages, feeds, mails. Each reading is a child process of
    # its own with limits on time, memory and size, without database, secret and network, which is killed at its limit;
    # it hands back a small value that is checked (Shape). A file that breaks its reader breaks nothing else.
    #
    # A child is forked from a template process that has the readers loaded (Template), so that a reading costs
    # milliseconds more than it would here.
    class Sandbox
      AT_ONCE = 4 # readings of one process
      TURN = 20 # seconds that a reading waits for its turn
      CODE = /\A[a-z_]{1,40}\z/ # of a refusal that a reader gives
      TRIES = 2 # to begin a reading
      STARTS = 45 # seconds in which it has begun, with a template that has to be loaded on a busy machine
      GRACE = 3 # seconds beyond its limit until the whole template is taken for stuck

      # The reading passed a limit, or its child died of it. It is not tried again: it would end the same way.
      class Exceeded < StandardError
      end
      # The reader broke, or its answer was of no shape that it may have.
      class Failed < StandardError
      end

      # @param hide [Array<String>] folders that no reading sees
      # @param nice [Integer] how far readings stand back behind other work (POSIX nice value). One that is too high
      #   starves them on a busy machine until they pass their time on the clock.
      # @param patience [Numeric, nil] seconds that whoever calls waits at most, for everything together. A reading that
      #   is given up for that is no harmful one: it may be tried again.
      def initialize(hide: [], nice: 5, patience: nil)
        @template = Template.new(hide: hide, nice: nice)
        @patience = patience
        @rest = Rest.new
        @free = SizedQueue.new(AT_ONCE).tap { |free| AT_ONCE.times { free << true } }
      end

      # @param name [Symbol] of Readers::TABLE
      # @param input [Hash] what JSON can say
      # @param bytes [Array<String>] that are read
      # @param files [Array<IO>] that are read or written to, with a descriptor of the system
      # @return [Object, Array(Object, Array<String>)] the value; with the bytes that go with it where it has some
      # @raise [Exceeded, Failed]
      # @raise [Core::Invalid] what is wrong with the file, in the reader's words
      # @raise [Core::Checks::Unreadable] likewise, of a page
      # @raise [Core::Away] where too much else is being read
      def call(name, input = {}, bytes: [], files: [])
        reader = Readers.fetch(name)
        size = bytes.sum(&:bytesize) + files.first(1).sum(&:size)
        raise Exceeded, "#{name}: #{size} bytes are more than #{reader.limits.takes}" if size > reader.limits.takes

        given_up = @patience ? clock + @patience : Float::INFINITY
        answer, blobs = in_turn(given_up) { ask(name, reader.limits, input, bytes, files, given_up) }
        value = reader.shape.call(given(name, answer))
        blobs.empty? ? value : [value, blobs]
      rescue Shape::Wrong, Wire::Odd => e
        raise Failed, "#{name}: #{e.message}"
      end

      # Stops all readings where they are, until they may go on; none of their time passes meanwhile.
      def pause = @rest.begin && @template.tell_all(Forks::PAUSE)
      def go_on = @rest.end && @template.tell_all(Forks::GO_ON)

      # Starts the template, so that the first reading need not wait for it.
      def warm = @template.warm

      # Ends the template; the next call starts another one.
      def stop = @template.stop

      private

      def in_turn(given_up)
        turn = next_turn([TURN, given_up - clock].min)
        begin
          yield
        ensure
          @free << turn
        end
      end

      def next_turn(seconds)
        Timeout.timeout(seconds) { @free.pop }
      rescue Timeout::Error
        raise busy("Many files are being read just now.")
      end

      # @raise [Exceeded] also where the child died without a word, by whatever limit of the system
      def ask(name, limits, input, bytes, files, given_up)
        begun(name, limits, files, given_up) do |wire|
          wire.write(input, bytes)
          wire.read(most: limits.answers)
        end
      rescue Wire::Closed
        raise slow if clock >= given_up

        raise Exceeded, "#{name}: it ended at a limit of time or memory"
      rescue Wire::Late
        @template.stop # it should have ended the child by now
        raise slow if clock >= given_up

        raise Exceeded, "#{name}: it did not end in time"
      end

      # A reading that never began says nothing about the file: the template had ended, and is started anew.
      # @yieldparam wire [Wire] to the child
      def begun(name, limits, files, given_up)
        TRIES.times do
          ours, theirs = UNIXSocket.pair
          seconds = [limits.wall, given_up - clock].min
          @template.begin_reading(name, seconds, [theirs, *files])
          theirs.close
          if begins?(wire(ours, [clock + STARTS, given_up].min))
            return yield wire(ours, [clock + limits.wall, given_up].min + GRACE)
          end
          raise slow if clock >= given_up

          @template.stop
        ensure
          [ours, theirs].each { |socket| socket&.close }
        end
        SemanticLogger["Sandbox"].error("#{name}: no reading could be begun")
        raise busy("No file can be read just now.")
      end

      def wire(socket, till)
        before = @rest.seconds
        Wire.new(socket, till: -> { till + @rest.seconds - before })
      end

      def begins?(wire)
        wire.read(most: Wire::HEAD)
        true
      rescue Wire::Closed, Wire::Late
        false
      end

      def slow = busy("There is much to do just now, and this file was not read in time.")
      def busy(sentence) = Core::Away.new("busy", sentence, way_on: "Try it again in a moment.")

      # What the child says in its answer: a value, what is wrong with the file, or that the reader broke.
      def given(name, answer)
        raise Failed, "#{name}: no answer" unless answer.is_a?(Hash)
        return answer["value"] if answer.key?("value")
        raise refusal(answer["refused"]) if answer["refused"].is_a?(Hash)

        what = answer["failed"].to_s[0, 300]
        SemanticLogger["Sandbox"].warn("#{name}: #{what}")
        raise Failed, "#{name}: #{what}"
      end

      def refusal(said)
        code, sentence, field, way_on = said.values_at("code", "sentence", "field", "way_on")
        sound = CODE.match?(code.to_s) && [sentence, way_on].compact.all?(String)
        return Failed.new("a refusal of no shape") unless sound
        return Core::Checks::Unreadable.new(code, sentence[0, 300]) if said["page"]

        Core::Invalid.new(code, sentence[0, 500], field: field&.to_s&.slice(0, 40), way_on: way_on&.slice(0, 500))
      end

      def clock = Process.clock_gettime(Process::CLOCK_MONOTONIC)
    end
  end
end
