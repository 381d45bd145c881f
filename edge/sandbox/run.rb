# frozen_string_literal: true

# The template process of the sandbox: loads the readers once, then forks a child for each reading that it is told of,
# ends those that take longer than they may, and ends itself when whoever started it is gone.
# usage: ruby run.rb DESCRIPTOR      of the socket that it is told by (Edge::Sandbox::Template starts it)
ENV["BUNDLE_GEMFILE"] ||= File.expand_path("../../Gemfile", __dir__)
require "bundler/setup"
require_relative "../../config/layers"
require "nokogiri" # before libvips brings the system's libxml with it
require "digest"
require "json"
require "time"
AskFirst::Layers.load(%w[core edge]) # neither database nor secret
require "socket"
require "feedjira"
require "loofah"
require "mail"
require "marcel"
require "vips"
Mail.eager_autoload!
%w[feeds files mail pages sandbox].each do |folder|
  AskFirst::LOADER.eager_load_dir(File.join(AskFirst::ROOT, "edge", folder))
end
AskFirst::Edge::Sandbox::Readers::TABLE.each_key.first

AskFirst::Edge::Sandbox::Forks.new(UNIXSocket.for_fd(Integer(ARGV.fetch(0)))).run
