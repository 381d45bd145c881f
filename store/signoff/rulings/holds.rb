# frozen_string_literal: true

module AskFirst
  module Store
    module Signoff
      # Holds that stand.
      module Holds
        module_function

        # @param scope [Scope] of one workspace
        # @return [Hash, nil] the first that covers a channel: :put_by and :reason
        def on(scope, channel_id)
          covers = Sequel.|({ channel_id: nil }, { channel_id: channel_id })
          scope.rows(:holds).where(lifted_at: nil).where(covers).order(:put_at).first
        end
      end
    end
  end
end
