# frozen_string_literal: true

module AskFirst
  module Store
    module Plan
      # Fixtures of clients, and the marks that they put on their days.
      module Fixtures
        SETS = RowSets.new(:plan_fixtures, fixtures: <<~SQL, channels: <<~SQL, days: <<~SQL)
              SELECT f.workspace_id, f.id, f.word, f.rule, f.first_day, f.last_day, to_char(f.clock, 'HH24:MI') AS clock,
                f.label_id, f.owner_id, f.days_before, f.makes, f.made_by, f.version, l.name AS label, o.name AS owner
              FROM fixtures f
              LEFT JOIN labels l ON (l.workspace_id, l.id) = (f.workspace_id, f.label_id)
              LEFT JOIN people o ON o.id = f.owner_id
              WHERE f.workspace_id = ANY(:w) ORDER BY lower(f.word), f.id
            SQL
              SELECT fc.fixture_id, c.id, c.network, c.initials, c.name
              FROM fixture_channels fc JOIN channels c ON (c.workspace_id, c.id) = (fc.workspace_id, fc.channel_id)
              WHERE fc.workspace_id = ANY(:w) AND c.archived_at IS NULL ORDER BY c.position
            SQL
              SELECT fixture_id, day, post_id FROM fixture_days
              WHERE workspace_id = ANY(:w) AND day BETWEEN :first::date AND :last::date
            SQL
        private_constant :SETS

        module_function

        # @param scope [Scope]
        # @param span [Range<Date>] of which the days that are no more its own are read
        # @return [Array<Hash>] fixtures with their :channels, as far as the reader sees them, and :gone, the days that
        #   were skipped or made into posts; those on no channel that the reader sees are left out
        def of(scope, span)
          found = SETS.fetch(scope.db, w: Database.uuids(scope.workspace_ids), first: span.first, last: span.last)
          channels = found[:channels].group_by { |row| row[:fixture_id] }
          gone = found[:days].group_by { |row| row[:fixture_id] }
          found[:fixtures].filter_map do |row|
            on = channels.fetch(row[:id], []).select { |channel| sees?(scope, row[:workspace_id], channel[:id]) }
            row.merge(channels: on, gone: gone.fetch(row[:id], [])) if on.any?
          end
        end

        # @param row [Hash]
        # @return [Core::Plan::Fixture]
        def fixture(row)
          Core::Plan::Fixture.new(
            word: row[:word],
            recurrence: Core::Plan::Recurrence.new(row[:rule], date(row[:first_day])),
            last: row[:last_day] && date(row[:last_day]),
            **row.slice(:clock, :label_id, :owner_id, :days_before, :makes)
          )
        end

        # @param taken [Array<Array(String, String)>] day and channel of pencil marks that stand there themselves
        # @param today [Date]
        # @param filter [Core::Plan::Filter]
        # @return [Array<Hash>] as Marks.between, each with its :fixture_id and whether it is :due
        def marks(scope, span, today, filter, taken)
          return [] if Marks.beyond?(filter)

          labels =
            filter["labels"].any? ? scope.db.from(Labels.meant(scope, filter["labels"]).as(:l)).select_map(:id) : nil
          of(scope, span)
            .select { |row| labels.nil? || labels.include?(row[:label_id]) }
            .flat_map { |row| days(row, span).flat_map { |day| on_channels(row, day, today) } }
            .select { |mark| filter["channels"].empty? || filter["channels"].include?(mark[:channel_id]) }
            .reject { |mark| taken.include?(mark.values_at(:day, :channel_id)) }
        end

        # @return [Array<Date>] on which its mark stands
        def days(row, span)
          fixture(row).within(span) - row[:gone].map { |one| date(one[:day]) }
        end

        def on_channels(row, day, today)
          due = fixture(row).due?(day, today)
          row[:channels].map do |channel|
            {
              **row.slice(:workspace_id, :word, :label_id, :label, :clock),
              **channel.slice(:network, :initials),
              channel_id: channel[:id],
              channel: channel[:name],
              day: day.iso8601,
              fixture_id: row[:id],
              due: due
            }
          end
        end

        def sees?(scope, workspace_id, channel_id)
          limits = scope.limits[workspace_id]
          limits.nil? || limits.include?(channel_id)
        end

        def date(value) = value.is_a?(Date) ? value : Date.iso8601(value)
        private_class_method :on_channels, :sees?, :date
      end
    end
  end
end
