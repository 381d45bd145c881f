# frozen_string_literal: true

module AskFirst
  module Edge
    class Sandbox
      # One reading, in a process of its own: takes the call, reads, answers.
      module Child
        BEGUN = "begun" # said before anything is read: what ends later ended at a limit

        module_function

        # @param name [String] of the reader
        # @param limits [Limits]
        # @param socket [UNIXSocket] of whoever called
        # @param files [Array<IO>]
        def answer(name, limits, socket, files)
          wire = Wire.new(socket)
          wire.write(BEGUN)
          $stderr.reopen(File::NULL)
          input, bytes = wire.read(most: limits.takes + Wire::CHUNK)
          value, blobs = read(name, input, bytes, files)
          wire.write(value, blobs)
        rescue Wire::Closed
          nil # nobody waits for it any more
        end

        # @return [Array(Hash, Array<String>)] what is answered
        def read(name, input, bytes, files)
          # by these names also the programs that are started read them
          paths = files.map { |file| "/proc/#{Process.pid}/fd/#{file.fileno}" }
          found = Readers.fetch(name).call.call(input, bytes, paths)
          found.is_a?(Readers::Answer) ? [{ value: found.value }, found.bytes] : [{ value: found }, []]
        rescue Core::Error => e
          [{ refused: { code: e.code, sentence: e.message, field: e.field, way_on: e.way_on } }, []]
        rescue Core::Checks::Unreadable => e
          [{ refused: { page: true, code: e.state, sentence: e.note } }, []]
        rescue NoMemoryError, SystemStackError, StandardError => e
          [{ failed: "#{e.class}: #{e.message.to_s.scrub("")[0, 200]}" }, []]
        end
      end
    end
  end
end
