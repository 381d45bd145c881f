# frozen_string_literal: true

require "simplecov"

# Which lines of each layer the specs of a whole run have reached: figures to look at, with no least that would invite
# empty specs. What runs in processes of its own (web server, dispatcher and worker of the browser specs, the sandbox)
# is not counted.
module CoverageFigures
  LAYERS = %w[core store app edge jobs web].freeze
  FILE = File.join(__dir__, "../var/coverage/figures.txt")

  # Called by SimpleCov once, by the last process, with what all processes have reached.
  class Formatter
    # @param result [SimpleCov::Result]
    def format(result)
      lines =
        LAYERS.map do |layer|
          files = result.groups.fetch(layer)
          Kernel.format("%6.1f %% of %6d lines of %s", files.covered_percent, files.lines_of_code, layer)
        end
      File.write(FILE, "#{lines.join("\n")}\n")
    end
  end
end

SimpleCov.start do
  root File.expand_path("..", __dir__)
  coverage_dir "var/coverage"
  merge_timeout 7_200 # seconds between the first process that ends and the last
  track_files "{#{CoverageFigures::LAYERS.join(",")}}/**/*.rb"
  add_filter { |file| file.filename.include?("/store/migrations/") || file.filename.include?("/spec/") }
  CoverageFigures::LAYERS.each { |layer| add_group(layer, "/#{layer}/") }
  formatter CoverageFigures::Formatter
end
