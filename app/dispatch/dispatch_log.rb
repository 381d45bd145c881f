# frozen_string_literal: true

module AskFirst
  module App
    module Dispatch
      # The dispatch log: in flight, next, trouble and out, over one or many workspaces.
      class DispatchLog
        PAGE = 60
        SHOWN = %i[
          id
          workspace_id
          post_id
          state
          unconfirmed
          claimed_by
          address
          seen
          seen_note
          fault
          trouble
          tries
          subject
          stage
          network
          initials
          channel
          zone
        ].freeze

        def self.call(kit, scope, before: nil)
          scope.transaction { new(kit, scope).call(before) }
        end

        def initialize(kit, scope)
          @kit = kit
          @scope = scope
        end

        def call(before)
          sent = out(before)
          {
            now: @kit.now.iso8601,
            going: json_of(unsent),
            trouble: json_of(trouble),
            out: json_of(sent.first(PAGE)),
            next: sent.size > PAGE ? sent[PAGE - 1][:sent_at].iso8601(6) : nil,
            holds: holds,
            figures: figures,
            **Returned.of(@kit, @scope)
          }
        end

        private

        def base(found = @scope.rows(:showings))
          Store::Posts::Visible
            .showings(@scope, found)
            .join(:posts, workspace_id: Sequel[:showings][:workspace_id], id: Sequel[:showings][:post_id])
            .join(:channels, workspace_id: Sequel[:showings][:workspace_id], id: Sequel[:showings][:channel_id])
            .left_join(:people, id: Sequel[:showings][:claimed_by])
            .left_join(
              :releases,
              workspace_id: Sequel[:showings][:workspace_id],
              showing_id: Sequel[:showings][:id],
              ended_at: nil
            )
            .select(
              Sequel[:showings][:id],
              Sequel[:showings][:workspace_id],
              Sequel[:showings][:post_id],
              Sequel[:showings][:state],
              :address,
              :sent_at,
              :seen,
              :seen_at,
              :seen_note,
              Sequel[:showings][:trouble],
              Sequel.~(Sequel[:showings][:unconfirmed_at] => nil).as(:unconfirmed),
              Sequel[:showings][:fault],
              :tries,
              :subject,
              Sequel[:people][:name].as(:claimed_by),
              Sequel[:posts][:stage],
              :network,
              :initials,
              Sequel[:channels][:name].as(:channel),
              Sequel[:releases][:at],
              Sequel[:releases][:zone]
            )
        end

        # A member whose part is limited to channels sees these.
        def unsent
          going =
            Store::Dispatch::Unsent.under_way(@scope, PAGE) +
              Store::Dispatch::Unsent.planned(@scope, @kit.now, PAGE).select_map(%i[workspace_id showing_id])
          base(@scope.rows_at(:showings, going))
            .exclude(Sequel[:releases][:id] => nil)
            .order(Sequel[:releases][:at])
            .limit(PAGE)
            .all
        end

        def trouble
          base.where(Sequel[:showings][:state] => "trouble").order(Sequel.desc(Sequel[:showings][:id])).limit(PAGE).all
        end

        def json_of(rows)
          rows.map { |row| json(row) }
        end

        def out(before)
          found = base.where(Sequel[:showings][:state] => "out")
          last = before && Core::Plan::Iso.moment(before, @kit.now, field: "before")
          found = found.where { sent_at < last } if last
          found.order(Sequel.desc(:sent_at)).limit(PAGE + 1).all
        end

        def holds
          found =
            Store::Posts::Visible
              .holds(@scope, @scope.rows(:holds))
              .where(lifted_at: nil)
              .left_join(:channels, workspace_id: :workspace_id, id: :channel_id)
          found
            .select_all(:holds)
            .select_append(Sequel[:channels][:name].as(:channel))
            .map { |row| row.slice(:id, :workspace_id, :channel_id, :reason, :channel).merge(at: row[:put_at].iso8601) }
        end

        # Lateness of what went out in the last 40 days: the median by definition 7 of Hyndman and Fan (1996).
        def figures
          since = @kit.now - (40 * 86_400)
          late =
            Store::Posts::Visible
              .showings(@scope, @scope.rows(:showings))
              .where(Sequel[:showings][:state] => "out")
              .where { sent_at > since }
              .join(:releases, workspace_id: :workspace_id, showing_id: :id, ended_at: nil)
          late
            .get(
              [
                Sequel.function(:count).*.as(:count),
                Sequel.lit("percentile_cont(0.5) WITHIN GROUP (ORDER BY extract(epoch FROM sent_at - at)::float8)").as(
                  :median
                )
              ]
            )
            .then { |count, median| { out: count, median_late: median&.round(1) } }
        end

        def json(row)
          late = row[:sent_at] && row[:at] ? (row[:sent_at] - row[:at]).round(1) : nil
          row.slice(*SHOWN).merge(
            at: row[:at]&.iso8601,
            sent_at: row[:sent_at]&.iso8601(3),
            seen_at: row[:seen_at]&.iso8601,
            late: late
          )
        end
      end
    end
  end
end
