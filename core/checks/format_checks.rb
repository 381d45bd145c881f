# frozen_string_literal: true

module AskFirst
  module Core
    module Checks
      # Whether the chosen format is taken, and has what it is made of.
      module FormatChecks
        module_function

        # @return [Array<PostChecks::Finding>]
        def call(request, card)
          format = Posts::Formats[request["format"]] or return []
          name = card.name || "This network"
          unless card.formats.include?(format.name)
            return [
              PostChecks.fault("format_not_taken", "format", "#{name} takes no #{format.words.delete_prefix("a ")}.")
            ]
          end

          [few(request, format), link_missing(request, format)].compact
        end

        def link_missing(request, format)
          return unless format.link && request["link"].nil?

          PostChecks.fault("link_missing", "link", "A link with its card needs its address.")
        end

        def few(request, format)
          there = request["media"].size
          return if there >= format.least

          kind = format.kinds.join(" or a ")
          sentence =
            if format.least > 1
              "Several pictures are chosen, and there #{there == 1 ? "is one" : "is none"}."
            else
              "#{format.words.capitalize} needs a #{kind}, and there is none yet."
            end
          PostChecks.fault("format_needs", "media", sentence)
        end
      end
    end
  end
end
