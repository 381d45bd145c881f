# frozen_string_literal: true

module AskFirst
  module Jobs
    # Tells a person what is due to be told.
    class NoticeMail < Base
      self.priority = 50

      def run(person_id)
        App::People::MailNotices.call(environment, person_id)
      end
    end
  end
end
