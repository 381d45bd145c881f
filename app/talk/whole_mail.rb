# frozen_string_literal: true

module AskFirst
  module App
    module Talk
      # The whole of the mail that a remark came with: what it quotes and how it is signed too. For the agency side.
      class WholeMail < Act
        reads :remark, nil

        # @return [Hash] JSON-ready
        # @raise [Core::NotFound] for one that was not said by mail
        def call(remark_id:)
          mail = member.side == "agency" && rows(:mail_replies).where(remark_id: remark_id).first
          raise Core::NotFound, "This mail" unless mail

          { sender: mail[:sender], at: mail[:at].iso8601, whole: mail[:whole] }
        end
      end
    end
  end
end
