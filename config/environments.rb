# frozen_string_literal: true

require "que"

module AskFirst
  # Puts a process's environment together: what the acts are handed. The one place that knows every layer but the web.
  module Environments
    module_function

    # @param url [String] database address with the process's own role
    # @param idle [Numeric, nil] see Store::Database.connect
    # @param sandbox [Edge::Sandbox, nil] in which the process reads what came from outside; nil: it reads nothing
    # @return [App::Environment]
    def build(settings, url, pool: 12, idle: nil, sandbox: sandbox(settings))
      db = Store::Database.connect(url, pool: pool, idle: idle)
      clock = Edge::Clock.new(settings.clock_offset)
      Que.connection = db
      secrets = Edge::Secrets.new(settings.secret)
      catalogue = Edge::Networks::Catalogue.new(settings.networks)
      pages = Edge::Pages::Reader.new(settings.private_hosts)
      App::Environment.new(
        db: db,
        clock: clock,
        files: Edge::Files::FileStore.new(settings.files, Edge::Files::S3Store.at(settings)),
        watermark: Edge::Files::Watermark.new(settings.watermark),
        media: sandbox && Edge::Files::MediaReader.new(sandbox),
        secrets: secrets,
        archive: Edge::Files::Archive,
        queue: Jobs::Queue.new(clock),
        bus: Edge::LiveBus.connect(url),
        networks: Edge::Networks::Directory.new(secrets, timeout: settings.network_timeout),
        catalogue: catalogue,
        consent: Edge::Networks::Consent.new(catalogue, settings.public_url),
        pages: pages,
        previews: sandbox && Edge::Pages::Previews.new(sandbox),
        feeds: sandbox && Edge::Feeds::Fetch.new(pages, sandbox),
        mailer: Edge::Mail::Mailer.new(settings),
        inbox: Edge::Mail::Inbox.at(settings.inbox),
        messages: sandbox && Edge::Mail::Messages.new(sandbox, settings.mail_checker),
        settings: settings
      )
    end

    # @param options [Hash] of Edge::Sandbox
    # @return [Edge::Sandbox] that sees neither files nor the database's folders of this machine
    def sandbox(settings, **options)
      Edge::Sandbox.new(hide: [settings.files, *Dir[File.join(ROOT, "var/{postgres*,demo}")]], **options)
    end
  end
end
