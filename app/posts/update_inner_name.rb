# frozen_string_literal: true

module AskFirst
  module App
    module Posts
      # The agency's own name for a post, beside the subject line that the client reads. Shown to nobody of the client's
      # side.
      class UpdateInnerName < UpdateBeside
        opens :post, "rename", whole: true

        # @param version [Integer] the version that the writer saw
        # @return [Integer] the new version
        def call(post_id:, inner_name:, version:)
          clean = Core::Posts::Text.line(inner_name, field: "inner_name", limit: Core::Lengths::SUBJECT)
          put(:inner_name, clean, version, as: "inner_name_saved", called: "the inner name")
        end
      end
    end
  end
end
