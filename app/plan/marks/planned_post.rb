# frozen_string_literal: true

module AskFirst
  module App
    module Plan
      # Makes the post that a place was kept free for: a pencil mark's, or that of a fixture on one of its days.
      class PlannedPost < Act
        inside

        # @param word [String] its subject
        # @param channel_ids [Array<String>]
        # @param day [Date]
        # @param clock [Time, nil] the hour; noon where none was said
        # @param label_id [String, nil]
        # @param idea_id [String, nil] what it is made of
        # @return [String] the post's id
        # @raise [Core::Invalid] no_such_idea: one that is not there, or that the member does not see
        def call(word:, channel_ids:, day:, clock:, label_id:, idea_id: nil)
          id = Posts::CreatePost.call(environment, member, subject: word)
          Posts::ChooseChannels.call(environment, member, post_id: id, channel_ids: channel_ids)
          time = time(day, clock)
          Posts::UpdatePart.call(
            environment,
            member,
            post_id: id,
            channel_id: nil,
            part: "time",
            value: time,
            version: 0
          )
          name = label_id && rows(:labels).where(id: label_id).get(:name)
          Posts::SetLabels.call(environment, member, post_id: id, names: [name]) if name
          idea = idea_id && seen(idea_id)
          Ideas::IntoPost.call(environment, member, post_id: id, idea: idea) if idea
          id
        end

        private

        def seen(idea_id)
          Store::Posts::Visible.ideas(scope, rows(:ideas).where(id: idea_id)).first or
            raise Core::Invalid.new(
                    "no_such_idea",
                    "The idea that this place was kept for is not there.",
                    field: "cells",
                    way_on: "Make the draft without it."
                  )
        end

        def time(day, clock)
          hour = clock&.strftime("%H:%M")
          Core::Plan::PencilMark.new(day: day, channel_id: nil, clock: hour, word: "", label_id: nil).time(
            workspace[:zone]
          )
        end
      end
    end
  end
end
