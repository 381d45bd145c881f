# frozen_string_literal: true

module AskFirst
  module App
    # What the acts work with, handed in once for each process: database, clock, and the doors to the outside.
    #
    # db: Sequel::Database · clock: #now, #machine_time · files: Edge::Files::FileStore · watermark:
    # Edge::Files::Watermark · media: Edge::Files::MediaReader · secrets: #seal, #open · archive: #write · queue: what
    # runs later (Jobs::Queue) · bus: #publish(workspace_id, message), #last(workspace_ids) · networks:
    # #client_for(channel) · catalogue: #all, #find · consent: #address, #exchange, #refresh, #revoke · pages:
    # #get(address) · previews: #of(page) · feeds: #call(address, now:) · mailer: #deliver · inbox: #fetch, #forget, or
    # nil · messages: #of(raw, cut:) · settings
    #
    # media, previews, feeds and messages are nil in the process that sends: it reads nothing that came from outside.
    Environment =
      Struct.new(
        :db,
        :clock,
        :files,
        :watermark,
        :media,
        :secrets,
        :archive,
        :queue,
        :bus,
        :networks,
        :catalogue,
        :consent,
        :pages,
        :previews,
        :feeds,
        :mailer,
        :inbox,
        :messages,
        :settings,
        keyword_init: true
      ) do
        def now
          clock.now
        end
      end
  end
end
