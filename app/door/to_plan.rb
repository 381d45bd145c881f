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

        # A fixture, with the channels that it is on and those that it shall be on; without an id one that is new.
        def fixture(input)
          agency_only!("This fixture")
          row = find(:fixtures, input[:fixture_id], "This fixture") if input[:fixture_id]
          own = row ? @scope.rows(:fixture_channels).where(fixture_id: row[:id]).select_map(:channel_id) : []
          raise Core::NotFound, "This fixture" if own.any? && !sees?(own)

          wanted = channels_here(input[:channel_ids] || [])
          require!(@act, on: touching(channel_ids: own | wanted))
          Opened.new(row: row, channel_ids: own)
        end

        def plan_link(input)
          agency_only!("This link")
          row = find(:plan_links, input[:link_id], "This link")
          require!(@act)
          Opened.new(row: row)
        end

        # An act over many posts: of whoever asked for it.
        def batch(input)
          agency_only!("This")
          row = find(:batches, input[:batch_id], "This") { |rows| rows.where(person_id: member.person_id) }
          require!(@act)
          Opened.new(row: row)
        end

        # A key date, or other work of the time; without an id one that is new.
        def key_date(input)
          agency_only!("This date")
          row = find(:key_dates, input[:date_id], "This date") if input[:date_id]
          require!(@act)
          Opened.new(row: row)
        end

        private

        def channels_here(ids)
          known = @scope.rows(:channels).where(id: ids.grep(Core::Uuid::FORMAT)).select_map(:id)
          raise Core::NotFound, "This channel" if known.size < ids.uniq.size || known.any? { |id| !sees?([id]) }

          known
        end
      end
    end
  end
end
