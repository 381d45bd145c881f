# frozen_string_literal: true

module AskFirst
  module Jobs
    # Tells somebody of the client's side what was said to them.
    class TalkMail < Base
      self.priority = 50

      def run(workspace_id, person_id)
        App::Talk::MailTalk.call(kit, process(workspace_id), person_id: person_id)
      end
    end
  end
end
