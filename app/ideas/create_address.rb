# frozen_string_literal: true

require "securerandom"

module AskFirst
  module App
    module Ideas
      # Makes one's private address for ideas; the one before works no more.
      class CreateAddress < IdeaAct
        opens :idea, "keep_idea"

        # @return [Hash] as of MyAddress
        def call
          token = SecureRandom.hex(20) # the case of letters may be lost on the way
          mine = { workspace_id: member.workspace_id, person_id: member.person_id }
          set = { digest: Talk::ReplyAddress.digest(token), sealed: environment.secrets.seal(token), made_at: now }
          scope.db[:idea_addresses].insert_conflict(target: %i[workspace_id person_id], update: set).insert(
            mine.merge(set)
          )
          record("idea_address_made", facts: {})
          MyAddress.call(environment, member)
        end
      end
    end
  end
end
