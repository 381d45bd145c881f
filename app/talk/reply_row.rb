# frozen_string_literal: true

module AskFirst
  module App
    module Talk
      # A mail that came in as an answer, as it is kept whatever becomes of it.
      module ReplyRow
        WHOLE = 200_000 # characters

        module_function

        # @param incoming [Edge::Mail::Messages::Message]
        # @param left [Array<String>] names of files that it brought and that could not be kept
        # @return [Hash] for mail_replies
        def of(incoming, left: [], **more)
          {
            digest: Store::Database.blob(incoming.digest),
            sender: incoming.sender,
            whole: whole(incoming.text, left),
            **more
          }
        end

        def whole(text, left)
          said = [Core::Talk::Reply.safe(text), *left.map { |name| "[Not kept: #{name.scrub("")}]" }].join("\n")
          Core::Posts::Text.clean(said[0, WHOLE], field: "whole", limit: WHOLE)
        end
        private_class_method :whole
      end
    end
  end
end
