# frozen_string_literal: true

module AskFirst
  module Core
    module People
      # When a person is told something by mail: by their choice for the kind, their own zone, and their quiet hours.
      module Notices
        KINDS = {
          "asked" => "You are asked for a yes",
          "task" => "A task is given to you",
          "answered" => "An ask of yours is answered",
          "late" => "An answer is late",
          "talk" => "Somebody says something about a post of yours",
          "mention" => "Somebody names you in talk",
          "idea" => "A client gives an idea",
          "material" => "A file or a feed of yours cannot be read",
          "trouble" => "A post of yours is in trouble"
        }.freeze
        # those that people of the client's side get
        CLIENT = %w[asked talk].freeze
        CHOICES = %w[at_once digest not].freeze
        DEFAULT = {
          "asked" => "at_once",
          "task" => "digest",
          "answered" => "digest",
          "late" => "at_once",
          "talk" => "digest",
          "mention" => "at_once",
          "idea" => "digest",
          "material" => "at_once",
          "trouble" => "at_once"
        }.freeze
        # Nobody of the client's side opens this every day.
        CLIENT_DEFAULT = { "asked" => "at_once", "talk" => "at_once" }.freeze
        # what must be answered can be gathered into the digest, never turned off
        MUST = %w[asked].freeze
        DIGEST_HOUR = 8 # in the person's own zone; common practice, no source

        module_function

        # @param choices [Hash] kind => choice, as far as the person chose
        # @param side [String] agency or client
        def choice(choices, kind, side = "agency")
          choices.fetch(kind) { (side == "client" ? CLIENT_DEFAULT : DEFAULT).fetch(kind) }
        end

        # @raise [Invalid]
        def clean(choices)
          good = choices.is_a?(Hash) && choices.all? { |kind, choice| KINDS.key?(kind) && CHOICES.include?(choice) }
          raise Invalid.new("bad_notice", "This is no choice for a notice.", field: "notices") unless good

          MUST.each do |kind|
            next unless choices[kind] == "not"

            raise Invalid.new(
                    "must_be_told",
                    "“#{KINDS.fetch(kind)}” cannot be turned off: somebody waits for the answer.",
                    field: "notices",
                    way_on: "Choose the daily digest instead."
                  )
          end
          choices
        end

        # @param from [String, Time, nil] as it is kept
        # @return [Array(String, String), nil] such as ["20:00", "07:00"]
        def quiet(from, to)
          from && [from, to].map { |at| at.is_a?(String) ? at[0, 5] : at.strftime("%H:%M") }
        end

        # @param quiet [Array(String, String), nil] from and to, such as ["20:00", "07:00"], in the person's zone
        # @return [Time, nil] when the mail is due; nil when it is not wanted
        def due_at(choice, now, zone, quiet)
          case choice
          when "not"
            nil
          when "digest"
            next_hour(now, zone, DIGEST_HOUR, 0)
          else
            quiet && quiet?(now, zone, quiet) ? next_hour(now, zone, *quiet[1].split(":").map(&:to_i)) : now
          end
        end

        def quiet?(now, zone, quiet)
          clock = Plan::WallTime.at(now, zone).wall.strftime("%H:%M")
          from, to = quiet
          from <= to ? clock >= from && clock < to : clock >= from || clock < to
        end

        # The next time that the clock there shows this hour.
        def next_hour(now, zone, hour, minute)
          wall = Plan::WallTime.at(now, zone).wall
          (0..2).each do |days|
            day = wall + (days * 86_400)
            at = Plan::WallTime.new(Time.utc(day.year, day.month, day.day, hour, minute), zone).at
            return at if at > now
          end
        end
      end
    end
  end
end
