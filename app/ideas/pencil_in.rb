# frozen_string_literal: true

module AskFirst
  module App
    module Ideas
      # Keeps a place in the plan for an idea: a pencil mark with its title. The post that is made of the mark gets all
      # that the idea holds.
      class PencilIn < IdeaAct
        opens :idea, "keep_idea"

        # @param day [String] ISO
        # @param channel_id [String, nil] the idea's own where none is named
        # @param clock [String, nil]
        # @raise [Core::Invalid] channel_missing; those of Plan::UpdateMarks
        # @raise [Core::Conflict] cell_taken, where something else is pencilled there
        def call(idea_id:, day:, channel_id: nil, clock: nil)
          channel = channel_id || row[:channel_id] or raise no_channel
          word = row[:title][0, Core::Plan::PencilMark::WORD].strip
          mark = { "day" => day, "channel_id" => channel, "clock" => clock, "word" => word, "idea_id" => idea_id }
          raise taken if taken?(mark)

          Plan::UpdateMarks.call(environment, member, put: [mark], erase: [])
          broadcast
        end

        private

        def taken?(mark)
          cell = Core::Plan::PencilMark.read([mark], now, field: "day").first.cell
          rows(:pencil_marks).where(%i[day channel_id] => [cell]).exclude(idea_id: mark["idea_id"]).any? ||
            rows(:pencil_marks).where(%i[day channel_id] => [cell], :idea_id => nil).any?
        end

        def no_channel
          Core::Invalid.new(
            "channel_missing",
            "A pencil mark stands on a channel.",
            field: "channel_id",
            way_on: "Choose one."
          )
        end

        def taken
          Core::Conflict.new(
            "cell_taken",
            "Something else is pencilled there.",
            field: "day",
            way_on: "Choose another day or channel."
          )
        end
      end
    end
  end
end
