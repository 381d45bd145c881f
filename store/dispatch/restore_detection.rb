# frozen_string_literal: true

module AskFirst
  module Store
    module Dispatch
      # Where this database comes from, and the watermarks by which it knows that it was brought back
      # (Core::Dispatch::BroughtBack). Over all agencies: a database is brought back as a whole.
      module RestoreDetection
        LOCK = 0x4C494E45 # an advisory lock: one process at a time notices
        HERE = Sequel.lit("(SELECT system_identifier::text FROM pg_control_system())").freeze

        module_function

        # @return [String] the same in every copy of this database
        def id(db)
          db[:lineage].get(:id)
        end

        # @param outside [Edge::Files::Watermark::Written, nil] the watermark that lies outside, read before
        # @return [Core::Dispatch::BroughtBack::Facts]
        def facts(db, outside)
          row =
            db[:lineage]
              .select(:id, :cluster)
              .select_append(
                Sequel.lit("(SELECT system_identifier::text FROM pg_control_system())").as(:here),
                db[:watermarks].select { max(watermark) }.as(:watermark)
              )
              .first
          Core::Dispatch::BroughtBack::Facts.new(
            server: row[:cluster],
            here: row[:here],
            watermark: row[:watermark] || 0,
            outside: outside && outside.lineage == row[:id] ? outside.number : nil,
            strange: !outside.nil? && outside.lineage != row[:id]
          )
        end

        # @return [Time, nil] when the newest watermark that it knows was made
        def known_until(db)
          db[:watermarks].max(:at)
        end

        # A new watermark of this process, higher than all before. It may be written down outside once this is
        # committed.
        # @param process [String] uuid
        # @return [Integer]
        def watermark(db, process, at)
          number = next_watermark(db, process, at)
          known = db[:watermarks].exclude(process: process).max(:watermark) || 0
          return number if number > known

          # of a database that was brought back: its sequence is older
          db.get(Sequel.function(:setval, "watermark_numbers", known))
          next_watermark(db, process, at)
        end

        # The same in the transaction of a claim, in one statement: whoever calls this has made one before.
        def next_watermark(db, process, at)
          # two threads of one process may make one at once
          higher = Sequel.function(:greatest, Sequel[:watermarks][:watermark], Sequel[:excluded][:watermark])
          db[:watermarks]
            .returning(:watermark)
            .insert_conflict(target: :process, update: { watermark: higher, at: Sequel[:excluded][:at] })
            .insert(process: process, watermark: Sequel.function(:nextval, "watermark_numbers"), at: at)
            .first[
            :watermark
          ]
        end

        # A new database has begun to run on the server that it lies in.
        def begin_here(db) = db[:lineage].where(cluster: nil).update(cluster: HERE)

        # What was not out yet is unconfirmed, each agency has somebody look, and what lies outside counts as known.
        # @param why [String] of `returns`
        # @param outside [Edge::Files::Watermark::Written, nil]
        # @param known_until [Time, nil]
        def brought_back(db, why:, process:, outside:, known_until:, now:)
          db[:agencies]
            .select_map(:id)
            .each do |agency_id|
              db[:returns].insert(
                agency_id: agency_id,
                id: Core::Uuid.v7(now),
                why: why,
                known_until: known_until,
                noticed_at: now
              )
            end
          live =
            db[:releases].where(
              Sequel[:releases][:workspace_id] => Sequel[:showings][:workspace_id],
              :showing_id => Sequel[:showings][:id],
              :ended_at => nil
            )
          asked = Sequel.case({ live.select(1).exists => now }, Sequel.cast(nil, :timestamptz))
          db[:showings].exclude(state: "out").update(unconfirmed_at: now, network_said: nil, ask_at: asked)
          know(db, process, outside.number, now) if outside && outside.lineage == id(db)
          db[:lineage].update(cluster: HERE)
        end

        def know(db, process, number, at)
          db[:watermarks].insert_conflict(target: :process, update: { watermark: number, at: at }).insert(
            process: process,
            watermark: number,
            at: at
          )
        end

        # Rows of processes that have ended long ago, but for the highest.
        def forget(db, before)
          db[:watermarks].where { at < before }.where { watermark < db[:watermarks].select { max(watermark) } }.delete
        end

        def lock(db)
          db.get(Sequel.function(:pg_advisory_xact_lock, LOCK))
        end

        # @return [Hash, nil] the newest time that it was brought back, for one agency
        def last_return(db, agency_id)
          db[:returns].where(agency_id: agency_id).order(Sequel.desc(:noticed_at), Sequel.desc(:id)).first
        end
      end
    end
  end
end
