# frozen_string_literal: true

module AskFirst
  module Core
    module Clients
      # Name, initials, colour of the edge, zone and week start of a client: what came in as it is kept, or what is
      # wrong where.
      module Identity
        module_function

        # @return [Hash] only the given keys, cleaned
        # @raise [Invalid]
        def clean(values)
          values.to_h { |key, value| [key, public_send(key, value)] }
        end

        def name(value)
          text = Posts::Text.clean(value, field: "name", limit: Lengths::TITLE).strip
          return text unless text.empty?

          raise Invalid.new(
                  "name_missing",
                  "The client needs a name.",
                  field: "name",
                  way_on: "Type it as the client writes it."
                )
        end

        def initials(value)
          text = Posts::Text.clean(value, field: "initials", limit: 40).strip
          return text if text.grapheme_clusters.size.between?(1, 3) && text.length <= 4

          raise Invalid.new(
                  "bad_initials",
                  "The initials are one to three letters.",
                  field: "initials",
                  way_on: "Take the client's initials."
                )
        end

        def edge(value)
          text = value.to_s.upcase
          return text if Contrast::HEX.match?(text)

          raise Invalid.new(
                  "bad_colour",
                  "“#{value.to_s[0, 20]}” is not a colour.",
                  field: "edge",
                  way_on: "Write six digits such as #1D5C74."
                )
        end

        def zone(value)
          Plan::WallTime.timezone(value.to_s, field: "zone")
          value
        end

        def week_start(value)
          return value if [0, 1].include?(value)

          raise Invalid.new("bad_week_start", "A week starts on Monday or on Sunday.", field: "week_start")
        end

        def time_policy(value)
          return value if %w[never local_date always].include?(value)

          raise Invalid.new("bad_policy", "This is no rule for changed times.", field: "time_policy")
        end

        def currency(value)
          Campaigns::Currency.clean(value)
        end

        # Tracking tags for every link, with places such as {network} that are filled in for each channel.
        def tracking(value)
          Posts::Tracking.clean(value, templates: true)
        end

        def holidays(value)
          return value if value == "" || Plan::DaysOff::REGIONS.include?(value)

          raise Invalid.new(
                  "bad_region",
                  "There is no holiday calendar “#{value.to_s[0, 20]}”.",
                  field: "holidays",
                  way_on: "Choose one from the list."
                )
        end

        def working_hours(value)
          Plan::WorkingTime.clean_week(value)
        end
      end
    end
  end
end
