# frozen_string_literal: true

module AskFirst
  module App
    module Posts
      # Gives a post its subject line, which the client reads where a plan is shared with them.
      class Rename < UpdateBeside
        opens :post, "rename", whole: true

        # @param version [Integer] the version that the writer saw
        # @return [Integer] the new version
        def call(post_id:, subject:, version:)
          clean = Core::Posts::Text.line(subject, field: "subject", limit: Core::Lengths::SUBJECT)
          put(:subject, clean, version, as: "post_named", called: "the subject line")
        end
      end
    end
  end
end
