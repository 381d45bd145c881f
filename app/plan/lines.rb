# frozen_string_literal: true

module AskFirst
  module App
    module Plan
      # What is planned, as lines: the channels of a post that go out at one time stand together.
      module Lines
        # time: as it is planned · channels: rows with :id, :network, :initials, :name
        Line =
          Struct.new(:workspace_id, :post_id, :subject, :stage, :strip, :time, :channels, keyword_init: true) do
            def at = @at ||= time.at

            # @param zone [String]
            # @return [String] wall time there, such as 2026-10-15T07:30; as it is planned where it is planned there
            def wall_in(zone)
              wall = time.zone == zone ? time.wall : Core::Plan::WallTime.at(at, zone).wall
              wall.strftime("%Y-%m-%dT%H:%M")
            end
          end

        module_function

        # @param rows [Array<Hash>] of Store::Plan::Days
        # @return [Array<Line>] by their times
        def of(rows)
          # most posts of a client share a handful of times
          times = Hash.new { |known, value| known[value] = Core::Plan::WallTime.stored(value) }
          timed = rows.map { |row| [row, times[row[:time]]] }.select(&:last)
          timed
            .group_by { |row, time| [row[:post_id], time] }
            .map { |(_, time), same| line(same.map(&:first), time) }
            .sort_by { |line| [line.at, line.post_id] }
        end

        def line(rows, time)
          first = rows.first
          on = rows.select { |row| row[:channel_id] }
          Line.new(
            **first.slice(:workspace_id, :post_id, :subject, :strip),
            stage: on.empty? ? first[:post_stage] : Core::Signoff::Stages.of_post(on.map { |row| row[:stage] }),
            time: time,
            channels: on.map { |row| row.slice(:network, :initials).merge(id: row[:channel_id], name: row[:channel]) }
          )
        end
        private_class_method :line
      end
    end
  end
end
