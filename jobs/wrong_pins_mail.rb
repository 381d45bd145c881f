# frozen_string_literal: true

module AskFirst
  module Jobs
    # Tells somebody of the client's side, and who asked them, that wrong PINs were written with a link of theirs.
    class WrongPinsMail < Base
      self.priority = 10

      def run(workspace_id, person_id, tries)
        App::Signoff::MailWrongPins.call(kit, process(workspace_id), person_id: person_id, tries: tries)
      end
    end
  end
end
