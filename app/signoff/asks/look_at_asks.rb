# frozen_string_literal: true

module AskFirst
  module App
    module Signoff
      # Says before asking for several posts at once: at which steps, of whom and by when, and what cannot be asked.
      class LookAtAsks < AskingMany
        reads :client, "ask"

        # @param post_ids [Array<String>]
        # @return [Hash] JSON-ready: asks:, left:
        # @raise [Core::Invalid] too_many_posts
        def call(post_ids:)
          found = askable(post_ids)
          { asks: found.groups.map { |group| json(group) }, left: left_of(found) }
        end

        private

        def json(group)
          step = group.step
          choices = Core::Signoff::Due.choices(hours, now, step.hours)
          {
            step_id: step.id,
            name: step.name,
            side: step.side,
            people: group.people.filter_map { |id| names[id] }.sort,
            due_at: Core::Signoff::Due.after(hours, now, step.hours).iso8601,
            dues: choices.map { |choice| choice.merge(at: choice[:at].iso8601) },
            post_ids: group.only.keys,
            subjects: @subjects.values_at(*group.only.keys)
          }
        end

        def hours = @hours ||= Store::Clients::Hours.of(workspace)
      end
    end
  end
end
