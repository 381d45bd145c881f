# frozen_string_literal: true

module AskFirst
  module Jobs
    # Writes to somebody of the client's side that they are asked, with their pass.
    class AskMail < Base
      self.priority = 40

      def run(workspace_id, ask_id, person_id)
        App::Signoff::MailAsk.call(kit, process(workspace_id), ask_id: ask_id, person_id: person_id)
      end
    end
  end
end
