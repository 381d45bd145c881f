# frozen_string_literal: true

require "digest"
require "securerandom"

module AskFirst
  module App
    module Talk
      # The address at which a mail to somebody of the client's side can be answered: what is written there is said in
      # the client's room, in their name, as long as their pass works. Only the mail holds it; the database keeps a
      # digest. It answers no ask.
      module ReplyAddress
        module_function

        # @param scope [Store::Scope] of one workspace
        # @param pass_id [String]
        # @param line_id [String, nil] which post it is about; nil for all of the ask
        # @return [String, nil] nil where no mailbox takes answers
        def make(environment, scope, pass_id:, line_id: nil)
          local, domain = environment.settings.replies.split("@")
          return if domain.nil?

          token = SecureRandom.hex(20) # the case of letters may be lost on the way
          row = { digest: digest(token), pass_id: pass_id, line_id: line_id, made_at: environment.now }
          scope.insert(:reply_addresses, row)
          "#{local}+#{token}@#{domain}"
        end

        # @param written [String] every address of a mail
        # @return [Array<String>] digests of those that could be ours
        def digests(environment, written)
          local, domain = environment.settings.replies.split("@")
          ours = /#{Regexp.escape(local.to_s)}\+([0-9a-f]{40})@#{Regexp.escape(domain.to_s)}/i
          written.scan(ours).flatten.map { |token| digest(token.downcase) }.uniq
        end

        def digest(token) = Store::Database.blob(Digest::SHA256.digest(token))
      end
    end
  end
end
