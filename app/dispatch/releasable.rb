# frozen_string_literal: true

module AskFirst
  module App
    module Dispatch
      # What can be released now, and why something cannot: asked by the act and by the page that offers it.
      module Releasable
        module_function

        # What a release of the post would hand over when nothing is named.
        # @param adaptations [Array<Store::Posts::PostState::Adaptation>] on the member's channels
        # @return [Array<Store::Posts::PostState::Adaptation>]
        def among(adaptations)
          adaptations.select { |one| one.stage == "cleared" && !Core::Channels::Archived.it?(one.channel) }
        end

        # @param adaptations [Array<Store::Posts::PostState::Adaptation>] on the member's channels
        # @return [Core::Error, nil] why the post cannot be released
        def refusal_of_all(adaptations, now)
          chosen = among(adaptations)
          return refusal(adaptations.first, now) if chosen.empty? && adaptations.any?
          return not_cleared(nil) if chosen.empty?

          chosen.lazy.filter_map { |adaptation| refusal(adaptation, now) }.first
        end

        # @param adaptation [Store::Posts::PostState::Adaptation]
        # @return [Core::Error, nil] why it cannot be released
        def refusal(adaptation, now)
          return not_cleared(adaptation) unless adaptation.stage == "cleared"
          return Core::Channels::Archived.error(adaptation.channel) if Core::Channels::Archived.it?(adaptation.channel)

          unconnected(adaptation.channel) || unsound(adaptation) || untimely(adaptation.time, now) ||
            without_right(adaptation)
        end

        def not_cleared(adaptation)
          if adaptation.nil?
            return Core::Conflict.new("not_cleared", "It has no channel yet.", way_on: "Choose a channel.")
          end
          return in_trouble(adaptation) if adaptation.stage == "trouble"

          waits = adaptation.verdict.waits_at
          way = waits ? "It still needs its yes at “#{waits.name}”." : "Lock it again, or ask for what is missing."
          Core::Conflict.new(
            "not_cleared",
            "#{adaptation.channel[:name]} is not cleared: nothing goes out without its yeses.",
            way_on: way
          )
        end

        def in_trouble(adaptation)
          Core::Conflict.new(
            "in_trouble",
            "#{adaptation.channel[:name]} is in trouble.",
            way_on: "Take it back, or say in Dispatch what you saw there; then release it again."
          )
        end

        def unconnected(channel)
          case channel[:state]
          when "planned"
            Core::Conflict.new(
              "channel_planned",
              "#{channel[:name]} is not connected yet, so nothing can go out there.",
              way_on: "Connect it on the client's channels page; the post keeps its yeses."
            )
          when "lapsed"
            Core::Conflict.new(
              "channel_lapsed",
              "The connection to #{channel[:name]} has lapsed, so nothing can go out there.",
              way_on: "Connect it again; the post keeps everything."
            )
          end
        end

        def unsound(adaptation)
          faults = Core::Checks::PostChecks.faults(adaptation.request, adaptation.channel[:card])
          return if faults.empty?

          Core::Invalid.new(
            "has_faults",
            "#{adaptation.channel[:name]}: #{faults.map(&:sentence).join(" ")}",
            field: faults.first.part,
            way_on: "Open it and mend it."
          )
        end

        def untimely(time, now)
          if time.nil?
            Core::Invalid.new(
              "no_time",
              "There is no planned time yet.",
              field: "time",
              way_on: "Plan a time, then release."
            )
          elsif time.at <= now
            Core::Invalid.new(
              "time_past",
              "Its planned time has passed.",
              field: "time",
              way_on: "Plan a later time, then release."
            )
          end
        end

        def without_right(adaptation)
          return unless adaptation.unusable

          Core::Conflict.new(
            "right_ended",
            "#{adaptation.channel[:name]}: #{adaptation.unusable}",
            way_on:
              "Plan it earlier, put another file in its place, or say in the media library that its right was " \
                "extended."
          )
        end

        private_class_method :not_cleared, :in_trouble, :unconnected, :unsound, :untimely
      end
    end
  end
end
