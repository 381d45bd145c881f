# frozen_string_literal: true

# Loads the gems and lets Zeitwerk find every constant by its file name.
ENV["BUNDLE_GEMFILE"] ||= File.expand_path("../Gemfile", __dir__)
require "bundler/setup"
require "nokogiri" # before libvips brings the system's libxml with it
require "zeitwerk"
require "sequel"
require "json"
require "time"
require "securerandom"
require_relative "settings"
require_relative "kits"

# Nothing goes out until the right person has said yes to exactly what goes out.
module AskFirst
  ROOT = File.expand_path("..", __dir__)
  LAYERS = %w[core app store edge jobs web].freeze

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

  LOADER =
    Zeitwerk::Loader.new.tap do |loader|
      LAYERS.each do |layer|
        folder = File.join(ROOT, layer)
        loader.push_dir(folder, namespace: const_get(layer.capitalize)) if Dir.exist?(folder)
      end
      loader.ignore(%w[store/migrations web/openapi jobs/run.rb core/error.rb].map { |path| File.join(ROOT, path) })
      loader.inflector.inflect("oauth" => "OAuth")
      loader.setup
    end

  # the tree of errors stands in one file, so that it can be read as one
  require File.join(ROOT, "core/error")
end
