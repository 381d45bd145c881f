# frozen_string_literal: true

module AskFirst
  module Jobs
    # Reads the page of a link that somebody waits for.
    class ReadLink < Base
      self.priority = 60

      def run(workspace_id, reading_id)
        App::Posts::ReadLink.call(kit, process(workspace_id), reading_id: reading_id)
      end
    end
  end
end
