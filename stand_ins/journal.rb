# frozen_string_literal: true

require "json"
require "fileutils"

module StandIns
  # Keeps everything as lines of JSON, appended and read again at the next start. One writer.
  class Journal
    def initialize(path)
      FileUtils.mkdir_p(File.dirname(path))
      @path = path
      @lock = Mutex.new
    end

    def each
      return unless File.exist?(@path)

      File.foreach(@path) do |line|
        yield JSON.parse(line)
      rescue JSON::ParserError
        next # the last line of a process that was killed
      end
    end

    def add(event)
      @lock.synchronize { File.open(@path, "a") { |file| file.puts(JSON.generate(event)) } }
    end
  end
end
