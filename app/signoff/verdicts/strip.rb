# frozen_string_literal: true

module AskFirst
  module App
    module Signoff
      # The sign-off strip: one stamp for each step, with who and since when. JSON-ready.
      module Strip
        # Where a post's adaptations differ, the stamp shows what needs a person most.
        URGENCY = %w[change void asked not_asked skipped yes].freeze

        module_function

        # @param names [Hash] person id => name
        def of_post(post, names)
          post.steps.map do |step|
            standings =
              post.adaptations.filter_map do |adaptation|
                adaptation.verdict.steps.find { |one| one.step.id == step.id }
              end
            stamp(step, standings.min_by { |standing| URGENCY.index(standing.state) }, names, standings)
          end
        end

        def of_adaptation(adaptation, names)
          adaptation.verdict.steps.map { |standing| stamp(standing.step, standing, names, [standing]) }
        end

        def stamp(step, standing, names, all)
          base = {
            "step_id" => step.id,
            "name" => step.name,
            "side" => step.side,
            "required" => step.required,
            "state" => standing ? standing.state : "not_asked",
            "who" => [],
            "since" => nil,
            "due" => nil
          }
          return base unless standing

          base.merge(facts(standing, names, all), **by_hand(standing, all, names))
        end

        def facts(standing, names, all)
          case standing.state
          when "asked"
            ask = standing.open_ask
            {
              "who" => all.flat_map(&:waiting_for).uniq.map { |id| names.fetch(id, "?") }.sort,
              "since" => ask.at.iso8601,
              "due" => ask.due_at.iso8601
            }
          when "yes", "change", "void"
            given = given_in(standing)
            {
              "who" => given.map { |answer| names.fetch(answer.person_id, "?") },
              "since" => given.map(&:at).max&.iso8601
            }
          else
            {}
          end
        end

        # What was not said by who should say it, and whose change was set aside: marked for ever.
        def by_hand(standing, all, names)
          said = set_aside(all, names)
          said += instead(standing, names) if standing.state == "yes"
          said.empty? ? {} : { "by_hand" => said }
        end

        def instead(standing, names)
          standing.counting.select(&:in_name?).map { |one| "#{names[one.given_by]} for #{names[one.person_id]}" } +
            standing.fills.map { |one| "filled by #{names[one.ruled_by]}" }
        end

        def set_aside(all, names)
          all
            .flat_map(&:set_aside)
            .map { |one| "what #{names[one.place_person_id]} wanted was set aside by #{names[one.ruled_by]}" }
            .uniq
        end

        def given_in(standing)
          return standing.counting if standing.state == "yes"

          standing.latest_verdicts.select { |answer| (answer.verdict == "yes") == (standing.state == "void") }
        end
      end
    end
  end
end
