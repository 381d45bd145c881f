# frozen_string_literal: true

module AskFirst
  module App
    module People
      # Saves a person's own profile: compare and set on the version that they saw.
      class UpdateProfile < AgencyAct
        CLOCK = /\A([01]\d|2[0-3]):[0-5]\d\z/

        # @return [Integer] the new version
        def call(version:, name:, zone:, hour12:, date_language:, working_days:, notices:, quiet: nil)
          Core::Plan::WallTime.timezone(zone)
          values = {
            name: AddPerson.name(name),
            zone: zone,
            hour12: hour12,
            date_language: language(date_language),
            working_days: days(working_days),
            notices: Store::Database.jsonb(Core::People::Notices.clean(notices)),
            **hours(quiet),
            version: version + 1
          }
          done = db[:people].where(id: person.person_id, version: version).update(values)
          raise changed if done.zero?

          version + 1
        end

        private

        def changed
          row = db[:people].where(id: person.person_id).first
          Core::Changed.new(
            "profile_changed",
            "your profile from another page",
            by: "You",
            field: "name",
            way_on: Core::Changed::KEPT,
            version: row[:version],
            theirs: row.slice(:name, :zone, :date_language).transform_keys(&:to_s)
          )
        end

        def language(value)
          return value if value.to_s.match?(/\A[a-z]{2,3}(-[A-Z]{2})?\z/)

          raise Core::Invalid.new(
                  "bad_language",
                  "This is no language for dates.",
                  field: "date_language",
                  way_on: "Choose one from the list."
                )
        end

        def days(value)
          if value.is_a?(Array) && value.all? { |day| day.is_a?(Integer) && day.between?(1, 7) }
            return Store::Database.small_numbers(value.uniq.sort)
          end

          raise Core::Invalid.new("bad_days", "Working days are days of the week.", field: "working_days")
        end

        def hours(quiet)
          return { quiet_from: nil, quiet_to: nil } if quiet.nil?
          if quiet.size == 2 && quiet.all? { |hour| CLOCK.match?(hour.to_s) } && quiet[0] != quiet[1]
            return { quiet_from: quiet[0], quiet_to: quiet[1] }
          end

          raise Core::Invalid.new(
                  "bad_hours",
                  "Quiet hours are from one hour to another.",
                  field: "quiet",
                  way_on: "Write them like 20:00 to 07:00."
                )
        end
      end
    end
  end
end
