# frozen_string_literal: true

module AskFirst
  module Store
    module Dispatch
      # What the dispatch log shows, over one or many workspaces: as far as the reader's part is not limited to other
      # channels.
      class Log
        NAMED = [Sequel[:channels][:name].as(:channel), Sequel[:releases][:at], Sequel[:releases][:zone]].freeze
        LINE = [
          *%i[id workspace_id post_id state trouble fault].map { |column| Sequel[:showings][column] },
          :address,
          :sent_at,
          :seen,
          :seen_at,
          :seen_note,
          :tries,
          :subject,
          :network,
          :initials,
          Sequel.~(Sequel[:showings][:unconfirmed_at] => nil).as(:unconfirmed),
          Sequel[:people][:name].as(:claimed_by),
          Sequel[:posts][:stage],
          *NAMED
        ].freeze
        private_constant :NAMED, :LINE

        # @param scope [Scope]
        def initialize(scope)
          @scope = scope
        end

        # What is under way and what goes next, by their times.
        def unsent(now, limit)
          going =
            Unsent.under_way(scope, limit) + Unsent.planned(scope, now, limit).select_map(%i[workspace_id showing_id])
          lines(scope.rows_at(:showings, going))
            .exclude(Sequel[:releases][:id] => nil)
            .order(Sequel[:releases][:at])
            .limit(limit)
            .all
        end

        # @return [Array<Hash>] the newest first
        def trouble(limit)
          lines.where(Sequel[:showings][:state] => "trouble").reverse(Sequel[:showings][:id]).limit(limit).all
        end

        # @param before [Time, nil] of a page that was shown before
        # @return [Array<Hash>] what is out, the last first
        def out(before, limit)
          found = lines.where(Sequel[:showings][:state] => "out")
          found = found.where { sent_at < before } if before
          found.reverse(:sent_at).limit(limit).all
        end

        # Holds that stand, each with the name of its :channel, nil for the whole client.
        def holds
          Posts::Visible
            .holds(scope, scope.rows(:holds))
            .where(lifted_at: nil)
            .left_join(:channels, workspace_id: :workspace_id, id: :channel_id)
            .select_all(:holds)
            .select_append(Sequel[:channels][:name].as(:channel))
            .all
        end

        # How late it went out: the median by definition 7 of Hyndman and Fan (1996), which is PostgreSQL's
        # percentile_cont.
        # @param since [Time]
        # @return [Array(Integer, Float)] how many, and the median in seconds (nil for none)
        def lateness(since)
          median = Sequel.lit("percentile_cont(0.5) WITHIN GROUP (ORDER BY extract(epoch FROM sent_at - at)::float8)")
          Posts::Visible
            .showings(scope, scope.rows(:showings))
            .where(Sequel[:showings][:state] => "out")
            .where { sent_at > since }
            .join(:releases, workspace_id: :workspace_id, showing_id: :id, ended_at: nil)
            .get([Sequel.function(:count).*.as(:count), median.as(:median)])
        end

        # What waits for somebody's word after the database was brought back, by its times.
        def unconfirmed(limit)
          own = %i[id workspace_id post_id state network_said ask_at].map { |column| Sequel[:showings][column] }
          with_names(Unconfirmed.waiting(scope))
            .select(*own, :subject, :network, :initials, *NAMED)
            .order(Sequel[:releases][:at], Sequel[:showings][:id])
            .limit(limit)
            .all
        end

        private

        attr_reader :scope

        def lines(found = scope.rows(:showings))
          with_names(Posts::Visible.showings(scope, found))
            .left_join(:people, id: Sequel[:showings][:claimed_by])
            .left_join(
              :releases,
              workspace_id: Sequel[:showings][:workspace_id],
              showing_id: Sequel[:showings][:id],
              ended_at: nil
            )
            .select(*LINE)
        end

        def with_names(showings)
          showings.join(:posts, workspace_id: Sequel[:showings][:workspace_id], id: Sequel[:showings][:post_id]).join(
            :channels,
            workspace_id: Sequel[:showings][:workspace_id],
            id: Sequel[:showings][:channel_id]
          )
        end
      end
    end
  end
end
