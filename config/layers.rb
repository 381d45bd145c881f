# frozen_string_literal: true

require "zeitwerk"

# Nothing goes out until the right person has said yes to exactly what goes out.
module AskFirst
  ROOT = File.expand_path("..", __dir__)

  # The rules.
  module Core
  end
  # The acts: one class for each thing a person or the clock can do.
  module App
  end
  # The database.
  module Store
  end
  # Everything outside.
  module Edge
  end
  # What runs later.
  module Jobs
  end
  # HTTP.
  module Web
  end

  # Lets Zeitwerk find every constant of some layers by its file name.
  module Layers
    ALL = %w[core app store edge jobs web].freeze
    # The rooms of a large capability are folders for the eye: they add nothing to a constant's name.
    ROOMS = "{core,app,store}/{plan,signoff,media}/*"
    # What is no constant: scripts, data, and the tree of errors, which stands in one file so that it can be read as
    # one.
    LEFT = %w[store/migrations web/openapi jobs/run.rb edge/sandbox/load.rb edge/sandbox/run.rb core/error.rb].freeze

    # @param names [Array<String>] folders
    # @return [Zeitwerk::Loader]
    def self.load(names)
      loader = Zeitwerk::Loader.new
      names.each { |name| loader.push_dir(File.join(ROOT, name), namespace: AskFirst.const_get(name.capitalize)) }
      loader.collapse(File.join(ROOT, ROOMS))
      loader.ignore(LEFT.map { |path| File.join(ROOT, path) })
      loader.inflector.inflect("oauth" => "OAuth")
      loader.setup
      AskFirst.const_set(:LOADER, loader)
      require File.join(ROOT, "core/error")
    end
  end
end
