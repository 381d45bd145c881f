# frozen_string_literal: true

module AskFirst
  module Store
    module Plan
      # Pencil marks.
      module Marks
        MOST = 2_000 # read at once

        module_function

        # @param scope [Scope]
        # @param days [Range<Date>]
        # @param filter [Core::Plan::Filter] a mark has a channel and a label; narrowed to anything else there is none
        # @return [Array<Hash>] JSON-ready, as far as the reader sees their channels
        def between(scope, days, filter)
          return [] if beyond?(filter)

          named(narrowed(scope, days, filter))
            .order(Sequel[:pencil_marks][:day], Sequel[:channels][:position])
            .limit(MOST)
            .all
            .select { |row| sees?(scope, row) }
            .then { |rows| told(scope, rows) }
        end

        # @return [Boolean] whether it is narrowed to what no mark has
        def beyond?(filter) = (filter.named.keys - %w[channels labels]).any?

        def narrowed(scope, days, filter)
          found = scope.rows(:pencil_marks).where(Sequel[:pencil_marks][:day] => days)
          found = found.where(Sequel[:pencil_marks][:channel_id] => filter["channels"]) if filter["channels"].any?
          return found if filter["labels"].empty?

          found.where(Sequel[:pencil_marks][:label_id] => Labels.meant(scope, filter["labels"]))
        end

        # @param cells [Array<Array(Date, String)>]
        # @return [Array<Hash>] those that stand there, JSON-ready
        def at(scope, cells)
          key = [Sequel[:pencil_marks][:day], Sequel[:pencil_marks][:channel_id]]
          told(scope, named(scope.rows(:pencil_marks)).where(key => cells).all)
        end

        # @param rows [Array<Hash>] of pencil_marks; what stands at the same day and channel is written over
        def put(scope, rows)
          return if rows.empty?

          set = %i[clock word label_id idea_id made_by made_at].to_h { |column| [column, Sequel[:excluded][column]] }
          scope.db[:pencil_marks].insert_conflict(target: %i[workspace_id day channel_id], update: set).multi_insert(
            rows
          )
        end

        def named(marks)
          marks
            .join(:channels, workspace_id: Sequel[:pencil_marks][:workspace_id], id: Sequel[:pencil_marks][:channel_id])
            .left_join(
              :labels,
              workspace_id: Sequel[:pencil_marks][:workspace_id],
              id: Sequel[:pencil_marks][:label_id]
            )
            .select_all(:pencil_marks)
            .select_append(
              :network,
              Sequel[:channels][:initials],
              Sequel[:channels][:name].as(:channel),
              Sequel[:labels][:name].as(:label)
            )
        end

        # Without ideas of other channels than the reader's.
        def told(scope, rows)
          ids = rows.filter_map { |row| row[:idea_id] }.uniq
          ideas = ids.empty? ? [] : Posts::Visible.ideas(scope, scope.rows(:ideas).where(id: ids)).select_map(:id)
          rows.map { |row| json(row, ideas) }
        end

        def json(row, ideas)
          {
            **row.slice(:workspace_id, :channel_id, :network, :initials, :channel, :word, :label_id, :label),
            idea_id: ideas.include?(row[:idea_id]) ? row[:idea_id] : nil,
            day: row[:day].iso8601,
            clock: row[:clock]&.strftime("%H:%M")
          }
        end

        def sees?(scope, row)
          limits = scope.limits[row[:workspace_id]]
          limits.nil? || limits.include?(row[:channel_id])
        end
        private_class_method :narrowed, :named, :told, :json, :sees?
      end
    end
  end
end
