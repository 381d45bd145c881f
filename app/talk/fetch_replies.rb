# frozen_string_literal: true

module AskFirst
  module App
    module Talk
      # Fetches the mails that answer ours or bring ideas, and takes each. It stays in the mailbox until what it says is
      # kept: a process that dies in between finds it there again. One that breaks is left there and passed over.
      class FetchReplies
        # @param environment [Environment]
        def initialize(environment)
          @environment = environment
          @broken = Set.new
        end

        # @return [Array<String>] what became of each
        # @raise when the mailbox is away
        def call
          return [] if @environment.inbox.nil?

          taken = {}
          @environment.inbox.fetch(except: @broken).each { |letter| taken[letter.uid] = take(letter) }
          @environment.inbox.forget(taken.keys - @broken.to_a)
          taken.values
        end

        private

        def take(letter)
          incoming = @environment.messages.of(letter.raw, cut: letter.cut)
          TakeReply.call(@environment, incoming) || Ideas::TakeMail.call(@environment, incoming) || "nobody's"
        rescue *Store::Failures::AWAY
          raise
        rescue StandardError => e
          SemanticLogger["Answers by mail"].error("left in the mailbox: #{letter.uid}", e)
          @broken << letter.uid
          "broken"
        end
      end
    end
  end
end
