# frozen_string_literal: true

module AskFirst
  module App
    module Permissions
      # What a member may do in a workspace, and for what is refused the rule and who can. From the one decision
      # function.
      module Capabilities
        module_function

        # @param others [Array<Member>] to name who can
        # @param on [Core::Permissions::Touched] what it would touch
        # @return [Hash{String=>Hash}] act => {ok:, why:}
        def of(member, others: [], on: Core::Permissions::Touched::NOTHING)
          Core::Permissions::Acts::IN_WORKSPACE.to_h { |act| [act, one(member, act, others, on)] }
        end

        # @return [Hash] {ok:, why:}
        def one(member, act, others, on)
          decision = Core::Permissions::Decision.for(member, act, on: on, others: others)
          decision.allowed? ? { ok: true } : { ok: false, why: "#{decision.rule} #{decision.way_on}" }
        end
      end
    end
  end
end
