# frozen_string_literal: true

module AskFirst
  module Core
    module Checks
      # What was written and does not go out on a channel, or goes out otherwise: said, since nobody would see it in
      # the proof.
      module LeftOut
        module_function

        # @param parts [Hash] resolved parts
        # @param request [Hash] as it will be built
        # @param place [Posts::Request::Place]
        # @return [Array<PostChecks::Finding>] warnings
        def call(parts, request, place)
          [
            mentions(parts, place),
            *tagged(parts, place),
            call_to_action(parts, request, place),
            media(parts, request)
          ].compact
        end

        def mentions(parts, place)
          names = Posts::Mentions.unspelled("#{parts["text"]}\n#{parts["first_comment"]}", place.book, place.network)
          if names.any?
            PostChecks.warning(
              "mention_unspelled",
              "text",
              "#{names.join(" and ")} #{names.one? ? "has" : "have"} no spelling for #{place.network}; the plain " \
                "name goes out."
            )
          end
        end

        def tagged(parts, place)
          return [] unless place.card.tagged

          rows = parts["tagged"].select { |row| parts["media"].include?(row["media"]) }
          names = rows.map { |row| row["name"] }.uniq.reject { |name| place.book.spelling(name, place.network) }
          if names.empty?
            []
          else
            [
              PostChecks.warning(
                "tag_unspelled",
                "tagged",
                "#{names.join(" and ")} cannot be tagged: no spelling for #{place.network}."
              )
            ]
          end
        end

        def call_to_action(parts, request, place)
          wanted = parts["call_to_action"]
          return if wanted.nil? || request["call_to_action"] || place.card.call_to_action.nil?

          PostChecks.warning("no_such_call", "call_to_action", "There is no “#{wanted}” here, so none is shown.")
        end

        def media(parts, request)
          left = parts["media"].size - request["media"].size
          return if left.zero? || request["format"].nil?

          PostChecks.warning(
            "media_left_out",
            "format",
            "#{left} of #{parts["media"].size} files do not go out in this format; they stay with the post."
          )
        end
      end
    end
  end
end
