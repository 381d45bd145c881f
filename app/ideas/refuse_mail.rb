# frozen_string_literal: true

module AskFirst
  module App
    module Ideas
      # Writes down that a mail was not kept as an idea, and tells the owner of the address, once an hour at most.
      class RefuseMail < Act
        of_process

        AN_HOUR = 3_600

        # @param person_id [String] whose address it is
        def call(incoming:, outcome:, person_id:)
          why = Core::Ideas::ByMail::NOT_KEPT[outcome]
          told = { person_id: person_id, outcome: Core::Ideas::ByMail::NOT_KEPT.keys }
          lately = rows(:idea_mails).where(**told, at: (now - AN_HOUR)..).any?
          mail = { digest: Store::Database.blob(incoming.digest), sender: incoming.sender }
          scope.insert(:idea_mails, { **mail, person_id: person_id, outcome: outcome, at: now })
          return if why.nil? || lately

          words = "A mail from #{incoming.sender} to your address for ideas was not kept: #{why}."
          People::Notify.call(environment, member, person_ids: [person_id], kind: "idea", words: words)
        end
      end
    end
  end
end
