# frozen_string_literal: true

module AskFirst
  module App
    module Signoff
      # Asks for several posts at once: one ask for each step and those who are asked there, so that each person gets
      # one mail with all of it. What cannot be asked is left, and said why; one that fails does not stop the others.
      class SendAsks < AskingMany
        stepwise
        opens :client, "ask"

        # @param post_ids [Array<String>]
        # @param dues [Hash{String=>Time}] step id => by when; what is not named takes the step's own time
        # @param message [String]
        # @return [Hash] JSON-ready: asks: [{id:, step_id:, name:, people:, post_ids:}], left: [{post_id:, why:}]
        # @raise [Core::Invalid] too_many_posts
        def call(post_ids:, dues: {}, message: "")
          found =
            reading do
              enter
              askable(post_ids).tap(&:groups)
            end
          left = left_of(found)
          asks = found.groups.filter_map { |group| ask(group, dues[group.step.id], message, left) }
          { asks: asks, left: left }
        end

        private

        def ask(group, due, message, left)
          ids = group.only.keys
          more = { due_at: due, message: message, channel_ids: group.only }
          id = SendAsk.call(environment, member, step_id: group.step.id, post_ids: ids, **more)
          people = reading { rows(:ask_people).where(ask_id: id).select_map(:person_id) }
          {
            id: id,
            step_id: group.step.id,
            name: group.step.name,
            side: group.step.side,
            people: people.filter_map { |person| names[person] }.sort,
            post_ids: ids
          }
        rescue Core::Invalid => e
          raise if %w[due_past too_long].include?(e.code)

          leave(ids, e, left)
        rescue Core::Error => e
          leave(ids, e, left)
        end

        def leave(ids, error, left)
          ids.each { |id| left << { post_id: id, why: [error.message, error.way_on].compact.join(" ") } }
          nil
        end
      end
    end
  end
end
