# frozen_string_literal: true

module AskFirst
  module App
    module Ideas
      # An idea as it is told to the house.
      module Card
        TOLD = %i[
          id
          title
          note
          link
          audience
          category
          channel_id
          status
          group_id
          came
          side
          votes
          mine
          version
          post_id
        ].freeze

        module_function

        # @param row [Hash] of Store::Ideas::Board
        # @param names [Hash{String=>String}] of people
        # @param today [Date] in the client's zone
        # @return [Hash] JSON-ready
        def json(row, names, today, zone)
          facts = facts(row, zone)
          row.slice(*TOLD).merge(
            keywords: row[:keywords].to_a,
            media_ids: row[:media_ids].to_a,
            due_on: row[:due_on]&.iso8601,
            worth: row[:votes].zero? ? nil : row[:worth] / 100.0,
            state: Core::Ideas::IdeaState.state(facts),
            timing: Core::Ideas::IdeaState.timing(facts, today),
            planned: (facts.post ? facts.post[:day] : facts.pencilled)&.iso8601,
            given_by: names[row[:given_by]],
            given_at: row[:given_at].iso8601
          )
        end

        # @return [Core::Ideas::IdeaState::Facts]
        def facts(row, zone)
          day = row[:at] && Date.iso8601(Core::Plan::WallTime.at(row[:at], zone).local_date)
          Core::Ideas::IdeaState::Facts.new(
            status: row[:status],
            due_on: row[:due_on],
            post: row[:stage] && { stage: row[:stage], day: day },
            pencilled: row[:pencilled]
          )
        end
      end
    end
  end
end
