# frozen_string_literal: true

module AskFirst
  module Store
    module Dispatch
      # What the dispatcher has to look at, over all clients: it reads the rows, so that nothing hangs on a job that
      # could be lost.
      module Due
        COLUMNS = %i[workspace_id id post_id channel_id state try_no due_at lease_until sender].freeze

        AHEAD = 2 # seconds: what is due by then counts as going out
        STUCK = 60 # seconds: what is that late is held up by something else

        module_function

        # @param now [Time]
        # @return [Boolean] whether posts are going out now, or are about to
        def busy?(db, now)
          about = db[:showings].where(state: "planned", due_at: (now - STUCK)..(now + AHEAD)).select(1).exists
          going = db[:showings].exclude(sender: nil).where(state: "sending").select(1).exists
          db.get(Sequel.|(about, going))
        end

        # @param except [Array<String>] ids that are being looked at already
        # @return [Array<Hash>] the longest due first
        def rows(db, now, limit:, except: [])
          free = db[:showings].where { due_at <= now }.where { (preparing_until =~ nil) | (preparing_until < now) }
          # these are asked about first (Unconfirmed)
          free = free.where { (unconfirmed_at =~ nil) | (state !~ "planned") }
          free = free.exclude(id: except) if except.any?
          free.order(:due_at, :id).limit(limit).select(*COLUMNS).all
        end

        # Being sent by somebody who has stopped or has not been heard of since.
        # @param since [Time]
        def without_sender(db, since, limit:)
          here = db[:dispatchers].where(id: Sequel[:showings][:sender], stopped_at: nil).where { heartbeat_at >= since }
          db[:showings].exclude(sender: nil).exclude(here.select(1).exists).order(:id).limit(limit).select(*COLUMNS).all
        end

        # @param before [Time]
        # @return [Integer] planned ones that were to be looked at before and were not; what is held is looked at
        # later, what is
        #   unconfirmed not at all
        def late(scope, before)
          Posts::Visible
            .showings(scope, scope.rows(:showings))
            .where(state: "planned", unconfirmed_at: nil)
            .where { due_at < before }
            .count
        end

        # Soon due, with files that are not at their network yet.
        # @param till [Time]
        def to_prepare(db, now, till, limit:)
          live =
            db[:releases]
              .where(
                Sequel[:releases][:workspace_id] => Sequel[:showings][:workspace_id],
                :showing_id => Sequel[:showings][:id],
                :ended_at => nil
              )
              .join(:revision_adaptations, workspace_id: :workspace_id, id: :revision_adaptation_id)
              .where(
                Sequel.lit("EXISTS (SELECT FROM unnest(rendition_ids) file WHERE NOT showings.uploads ? file::text)")
              )
          db[:showings]
            .where(state: "planned")
            .where { (due_at > now) & (due_at <= till) }
            .where { (preparing_until =~ nil) | (preparing_until < now) }
            .where(live.select(1).exists)
            .order(:due_at, :id)
            .limit(limit)
            .select(*COLUMNS)
            .all
        end

        # What was held is looked at now.
        # @param channel_id [String, nil] nil for all
        def wake(scope, channel_id)
          held =
            scope
              .db
              .from(:showings, :releases)
              .where(Sequel[:showings][:workspace_id] => scope.workspace_id, Sequel[:showings][:state] => "planned")
              .where(
                Sequel[:releases][:workspace_id] => Sequel[:showings][:workspace_id],
                Sequel[:releases][:showing_id] => Sequel[:showings][:id],
                Sequel[:releases][:ended_at] => nil
              )
              .where { Sequel[:showings][:due_at] > Sequel[:releases][:at] }
          held = held.where(Sequel[:showings][:channel_id] => channel_id) if channel_id
          held.update(due_at: Sequel[:releases][:at])
        end

        # Planned with a live release and no time to be looked at: nothing of ours leaves such a row, and it must not
        # be lost.
        # @return [Integer] how many were mended
        def mend(db)
          live = db[:releases].where(ended_at: nil).as(:live)
          db[:showings]
            .from(:showings, live)
            .where(
              Sequel[:live][:workspace_id] => Sequel[:showings][:workspace_id],
              Sequel[:live][:showing_id] => Sequel[:showings][:id]
            )
            .where(Sequel[:showings][:state] => "planned", Sequel[:showings][:due_at] => nil)
            .update(due_at: Sequel[:live][:at])
        end
      end
    end
  end
end
