# frozen_string_literal: true

module AskFirst
  module App
    module Ideas
      # What somebody of the client's side has given, with what became of each: no more than that.
      class GivenIdeas < IdeaAct
        reads :own_ideas, "see_given_ideas"

        SHOWN = 50

        # @return [Hash] JSON-ready
        def call
          { open: workspace[:clients_give_ideas], ideas: mine.map { |row| told_of(row) } }
        end

        private

        # Also one that the house has thrown away: it is set aside then.
        def mine
          own = scope.rows(:ideas).where(given_by: member.person_id, side: "client")
          Store::Ideas::Board.new(scope, today).of(own.reverse(:id).limit(SHOWN))
        end

        def told_of(row)
          state = Core::Ideas::IdeaState.state(Card.facts(row, workspace[:zone]))
          state = "aside" if row[:dropped_at] && !Core::Ideas::IdeaState::MADE.include?(state)
          {
            id: row[:id],
            title: row[:title],
            given_at: row[:given_at].iso8601,
            state: state,
            words: Core::Ideas::IdeaState::FOR_CLIENT.fetch(state)
          }
        end
      end
    end
  end
end
