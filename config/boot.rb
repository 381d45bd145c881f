# frozen_string_literal: true

# Loads the gems and lets Zeitwerk find every constant by its file name.
ENV["BUNDLE_GEMFILE"] ||= File.expand_path("../Gemfile", __dir__)
require "bundler/setup"
require "nokogiri" # before libvips brings the system's libxml with it
require "sequel"
require "json"
require "time"
require "securerandom"
require_relative "layers"
require_relative "settings"
require_relative "environments"

AskFirst::Layers.load(AskFirst::Layers::ALL)
