# frozen_string_literal: true

module AskFirst
  module App
    module Ideas
      # Says what one thinks of an idea, or takes that back. Each of the house has one vote, which can be changed.
      class Vote < IdeaAct
        opens :idea, "vote_idea"

        # @param worth [Integer, nil] 1 to 5; nil takes the vote back
        # @return [Hash] {votes:, worth:, mine:}
        def call(idea_id:, worth:)
          vote = Core::Ideas::Worth.clean(worth)
          mine = { idea_id: idea_id, person_id: member.person_id }
          rows(:idea_votes).where(mine).delete
          scope.insert(:idea_votes, { **mine, worth: vote, at: now }) if vote
          all = rows(:idea_votes).where(idea_id: idea_id).select_map(:worth)
          score = Core::Ideas::Worth.score(all)
          rows(:ideas).where(id: idea_id).update(votes: all.size, worth: score)
          broadcast
          { votes: all.size, worth: all.empty? ? nil : score / 100.0, mine: vote }
        end
      end
    end
  end
end
