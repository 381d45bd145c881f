# frozen_string_literal: true

module AskFirst
  module Jobs
    # Reads what a picture looks like, as soon as it has come. Somebody waits for it.
    class ReadMedium < Base
      self.priority = 50

      def run(workspace_id, media_id)
        App::Media::ReadMedium.call(kit, process(workspace_id), media_id: media_id)
      end
    end
  end
end
