# frozen_string_literal: true

module AskFirst
  module App
    module Plan
      # What is planned, as lines: the channels of a post that go out at one time stand together.
      module Lines
        # value: {"wall" =>, "zone" =>} as it is kept · channels: hashes with "id", "network", "initials", "name"
        Line =
          Struct.new(:workspace_id, :post_id, :subject, :stage, :strip, :value, :channels, keyword_init: true) do
            def time = @time ||= Core::Plan::WallTime.stored(value)
            def at = @at ||= time.at

            # Past its time, and not gone out.
            def late?(now) = !%w[out trouble released].include?(stage) && at <= now

            # @param zone [String]
            # @return [String] wall time there, such as 2026-10-15T07:30; as it is planned where it is planned there
            def wall_in(zone)
              return value["wall"][0, 16] if value["zone"] == zone

              Core::Plan::WallTime.at(at, zone).wall.strftime("%Y-%m-%dT%H:%M")
            end
          end

        module_function

        # @param rows [Array<Hash>] of Store::Plan::Days
        # @return [Array<Line>] post by post
        def of(rows)
          rows.flat_map do |row|
            by_time(row)
              .select { |value, _| Core::Plan::WallTime.kept?(value) }
              .map { |value, channels| line(row, value, channels) }
          end
        end

        # @return [Hash{Hash, nil=>Array<Hash>}] time => channels that go out then; of a post on none its own
        def by_time(row)
          return { row["time"] => [] } unless row["channels"]

          own = row["channels"]
          return { row["time"] => own } if own.none? { |on| on["time"] }

          own.group_by { |on| on["time"] || row["time"] }
        end

        def line(row, value, channels)
          stages = channels.map { |on| on["stage"] }
          Line.new(
            workspace_id: row["workspace_id"],
            post_id: row["id"],
            subject: row["subject"],
            strip: row["strip"],
            stage: channels.empty? ? row["stage"] : Core::Signoff::Stages.of_post(stages),
            value: value,
            channels: channels.map { |on| on["channel"] }
          )
        end
        private_class_method :by_time, :line
      end
    end
  end
end
