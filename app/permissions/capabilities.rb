# frozen_string_literal: true

module AskFirst
  module App
    module Permissions
      # What a member may do in a workspace, and for what is refused the rule and who can. From the one decision function.
      module Capabilities
        module_function

        # @param others [Array<Member>] to name who can
        # @return [Hash{String=>Hash}] act => {ok:, why:}
        def of(member, others: [])
          Core::Permissions::Acts::IN_WORKSPACE.to_h do |act|
            decision = Core::Permissions::Decision.for(member, act, others: others)
            [act, decision.allowed? ? { ok: true } : { ok: false, why: "#{decision.rule} #{decision.way_on}" }]
          end
        end
      end
    end
  end
end
