# frozen_string_literal: true

module AskFirst
  module Jobs
    # Makes a film of another one. Takes minutes: after whatever is due.
    class MakeFilm < Base
      self.priority = 70

      def run(workspace_id, edit_id)
        App::Media::MakeFilm.call(kit, process(workspace_id), edit_id: edit_id)
      end
    end
  end
end
