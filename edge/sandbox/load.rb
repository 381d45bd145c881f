# frozen_string_literal: true

# Loads what the template process of the sandbox forks its readings from: the rules and the readers, neither database
# nor secret.
ENV["BUNDLE_GEMFILE"] ||= File.expand_path("../../Gemfile", __dir__)
require "bundler/setup"
require "nokogiri" # before libvips brings the system's libxml with it
require "digest"
require "feedjira"
require "json"
require "loofah"
require "mail"
require "marcel"
require "socket"
require "time"
require "vips"
require_relative "../../config/layers"

AskFirst::Layers.load(%w[core edge])
Mail.eager_autoload!
%w[feeds files mail pages sandbox].each do |folder|
  AskFirst::LOADER.eager_load_dir(File.join(AskFirst::ROOT, "edge", folder))
end
