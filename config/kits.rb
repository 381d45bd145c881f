# frozen_string_literal: true

require "que"

module AskFirst
  # Puts a process's kit together: what the acts are handed. The one place that knows every layer but the web.
  module Kits
    module_function

    # @param url [String] database address with the process's own role
    # @param idle [Numeric, nil] see Store::Database.connect
    # @return [App::Kit]
    def build(settings, url, pool: 12, idle: nil)
      db = Store::Database.connect(url, pool: pool, idle: idle)
      clock = Edge::Clock.new(settings.clock_offset)
      Que.connection = db
      secrets = Edge::Secrets.new(settings.secret)
      pictures = Edge::Files::Pictures.new
      catalogue = Edge::Networks::Catalogue.new(settings.networks)
      pages = Edge::Pages::Reader.new(settings.private_hosts)
      App::Kit.new(
        db: db,
        clock: clock,
        files: Edge::Files::Shelf.new(settings.files, Edge::Files::Far.at(settings)),
        mark: Edge::Files::Mark.new(settings.mark),
        pictures: pictures,
        kinds: Edge::Files::Kinds.new(pictures),
        secrets: secrets,
        archive: Edge::Files::Archive,
        queue: Jobs::Queue.new(clock),
        bus: Edge::LiveBus.connect(url),
        networks: Edge::Networks::Directory.new(secrets, timeout: settings.network_timeout),
        catalogue: catalogue,
        consent: Edge::Networks::Consent.new(catalogue, settings.public_url),
        pages: pages,
        previews: Edge::Pages::Preview,
        feeds: Edge::Feeds::Fetch.new(pages),
        mailer: Edge::Mail::Mailer.new(settings),
        inbox: Edge::Mail::Inbox.at(settings.inbox, checker: settings.mail_checker),
        settings: settings
      )
    end
  end
end
