# frozen_string_literal: true

# The stand-ins' own process: usage: run.rb FOLDER HTTP_PORT SMTP_PORT POP_PORT
ENV["BUNDLE_GEMFILE"] ||= File.expand_path("../Gemfile", __dir__)
require "bundler/setup"
require "monitor"
require "puma"
require "puma/configuration"
require "puma/launcher"
require "rack"
require "vips"
require_relative "network"
require_relative "consent_pages"
require_relative "micropub_pages"
require_relative "public_pages"
require_relative "site_pages"
require_relative "control_pages"
require_relative "store_pages"
require_relative "mailboxes"
require_relative "pop"

folder, http_port, smtp_port, pop_port = ARGV
mailboxes = StandIns::Mailboxes.new(folder)
networks = StandIns::CARDS.keys.to_h { |slug| [slug, StandIns::Network.new(slug, folder)] }
[StandIns::ConsentPages, StandIns::MicropubPages, StandIns::PublicPages, StandIns::ControlPages].each do |pages|
  pages.set :networks, networks
end
StandIns::MailPages.set :mailboxes, mailboxes
StandIns::StorePages.set :folder, folder

smtp = StandIns::Smtp.new(mailboxes, smtp_port)
smtp.start
pop = StandIns::Pop.new(mailboxes, Integer(pop_port))
pop.start

pages =
  Rack::Cascade.new(
    [
      StandIns::SitePages,
      StandIns::ConsentPages,
      StandIns::MicropubPages,
      StandIns::PublicPages,
      StandIns::MailPages,
      StandIns::ControlPages
    ]
  )
# what the store does not have is not looked for elsewhere
app = ->(env) { (env["PATH_INFO"].start_with?("/store/") ? StandIns::StorePages : pages).call(env) }
configuration =
  Puma::Configuration.new do |config|
    config.bind "tcp://127.0.0.1:#{http_port}"
    config.threads 2, 24
    config.environment "production"
    config.quiet
    config.app app
  end
Puma::Launcher.new(configuration, log_writer: Puma::LogWriter.strings).run
smtp.stop
pop.stop
