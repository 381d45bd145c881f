# frozen_string_literal: true

require "fileutils"
require "json"

module AskFirst
  module Edge
    module Files
      # The highest watermark of a database, written down outside it: a database that knows less has been brought back.
      # All dispatchers and web processes of one database share the file. It is no part of a backup.
      #
      # It is not forced to the disk: a machine that falls may lose the watermarks of its last moment, and then less is
      # noticed, but nothing is noticed wrongly.
      class Watermark
        # lineage: of its database · number: the watermark · at: when it was made (Time)
        Written = Struct.new(:lineage, :number, :at, keyword_init: true)

        # @param path [String]
        def initialize(path)
          @path = path
        end

        # @return [Written, nil] nil: there is none
        def read
          locked(File::RDONLY) { |file| parse(file.read) }
        rescue Errno::ENOENT
          nil
        end

        # Keeps the higher one of one database; another one's is written over.
        # @param number [Integer]
        # @param at [Time]
        # @return [Integer] what lies there now
        def write(lineage, number, at)
          FileUtils.mkdir_p(File.dirname(@path))
          locked(File::RDWR | File::CREAT) do |file|
            there = parse(file.read)
            next there.number if there && there.lineage == lineage && there.number >= number

            line = "#{JSON.generate(lineage: lineage, mark: number, at: at.utc.iso8601(3))}\n"
            file.rewind
            file.write(line)
            file.flush
            file.truncate(line.bytesize)
            number
          end
        end

        private

        def locked(flags)
          File.open(@path, flags, 0o600) do |file|
            file.flock(flags == File::RDONLY ? File::LOCK_SH : File::LOCK_EX)
            yield file
          end
        end

        # What was cut off while it was written is none.
        def parse(text)
          found = JSON.parse(text)
          Written.new(
            lineage: found.fetch("lineage"),
            number: Integer(found.fetch("mark")),
            at: Time.iso8601(found.fetch("at"))
          )
        rescue JSON::ParserError, KeyError, ArgumentError, TypeError, NoMethodError
          nil
        end
      end
    end
  end
end
