# frozen_string_literal: true

module AskFirst
  module App
    module Clients
      # A client's settings as they stand, with the coming days off.
      class Settings < Act
        reads :client, "see_brand"

        AHEAD = 366

        # @return [Hash] JSON-ready
        def call
          row = workspace
          {
            id: row[:id],
            name: row[:name],
            initials: row[:initials],
            edge: row[:edge],
            zone: row[:zone],
            week_start: row[:week_start],
            time_policy: row[:time_policy],
            review_pin: row[:review_pin],
            clients_give_ideas: row[:clients_give_ideas],
            stops_without_right: row[:stops_without_right],
            holidays: row[:holidays],
            working_hours: row[:working_hours],
            currency: row[:currency],
            tracking: row[:tracking],
            publisher_id: row[:publisher_id],
            publishers: Publisher.candidates(scope, now),
            version: row[:version],
            setup_step: row[:setup_step],
            picture: !row[:logo].nil?,
            archived_at: row[:archived_at]&.iso8601,
            days_off: days_off(row),
            can: Permissions::Capabilities.of(member, others: colleagues)
          }
        end

        private

        def days_off(row)
          today = Date.iso8601(Core::Plan::WallTime.at(now, row[:zone]).local_date)
          Core::Plan::DaysOff
            .between(row[:holidays], today, today + AHEAD)
            .first(12)
            .map { |day| { date: day[:date].iso8601, name: day[:name] } }
        end
      end
    end
  end
end
