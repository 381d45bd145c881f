# frozen_string_literal: true

module AskFirst
  module App
    class Door
      # What stands in the plan and is no post.
      module ToPlan
        # Cells of the plan, by the channels that they name. A channel that is not there and one that is another's are
        # one answer.
        def cells(input)
          named = %i[put erase cells].flat_map { |key| input[key] || [] }.map { |cell| cell["channel_id"] }.uniq
          ids = named.select { |id| Core::Uuid::FORMAT.match?(id.to_s) }
          rows = @scope.rows(:channels).where(id: ids).all
          missing = rows.size < named.size || rows.any? { |row| !sees?([row[:id]]) }
          raise Core::NotFound, "This channel" if missing

          require!(@act, on: touching(channel_ids: ids))
          Opened.new(rows: rows, channel_ids: ids)
        end

        # A key date, or other work of the time; without an id one that is new.
        def key_date(input)
          agency_only!("This date")
          row = find(:key_dates, input[:date_id], "This date") if input[:date_id]
          require!(@act)
          Opened.new(row: row)
        end
      end
    end
  end
end
