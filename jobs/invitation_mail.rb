# frozen_string_literal: true

module AskFirst
  module Jobs
    # Sends an invitation.
    class InvitationMail < Base
      self.priority = 40

      def run(workspace_id, invitation_id)
        App::People::MailInvitation.call(kit, process(workspace_id), invitation_id: invitation_id)
      end
    end
  end
end
