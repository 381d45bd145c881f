# frozen_string_literal: true

module AskFirst
  module Jobs
    # Looks at what is planned for a channel anew, after its network's card was changed.
    class RefreshChannel < Base
      self.priority = 30

      def run(workspace_id, channel_id)
        App::Signoff::RefreshChannel.call(kit, process(workspace_id), channel_id: channel_id)
      end
    end
  end
end
