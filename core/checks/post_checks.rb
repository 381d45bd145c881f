# frozen_string_literal: true

module AskFirst
  module Core
    module Checks
      # What stands between an adaptation and its network: blocking faults apart from warnings. The same function is
      # shown while writing and is required when asked, released and sent.
      module PostChecks
        Finding = Struct.new(:code, :level, :part, :sentence, keyword_init: true)

        module_function

        # @param request [Hash] the request as it will be built (Posts::Request)
        # @param card [Channels::Card]
        # @return [Array<Finding>] level "fault" stops, "warning" does not
        def call(request, card)
          [
            *text(request, card),
            *words(request, card),
            *FormatChecks.call(request, card),
            *MediaChecks.call(request, card),
            *extras(request, card)
          ]
        end

        def faults(request, card)
          call(request, card).select { |finding| finding.level == "fault" }
        end

        def text(request, card)
          limit = card.text.limit
          count = Counting.count(request.fetch("text"), card.text)
          found = []
          found << fault("text_too_long", "text", "#{count - limit} over the limit of #{limit}.") if count > limit
          if request["text"].strip.empty? && request["media"].empty?
            found << fault("nothing_to_say", "text", "There is no text and no picture yet.")
          end
          found
        end

        def words(request, card)
          text = request.fetch("text")
          tags = Hashtags.find(text)
          most = card.hashtags
          doubled = Hashtags.doubled(text)
          styled = ReadAloud.styled(text)
          run = ReadAloud.longest_emoji_run(text)
          hidden = ReadAloud.hidden(text)
          [
            (
              if most && tags.size > most
                fault("too_many_hashtags", "text", "#{tags.size} hashtags; at most #{most} are taken.")
              end
            ),
            (
              if doubled.any?
                warning(
                  "hashtag_doubled",
                  "text",
                  "#{doubled.map { |tag| "##{tag}" }.join(", ")} #{doubled.one? ? "is" : "are"} there twice."
                )
              end
            ),
            (
              if styled.positive?
                warning(
                  "styled_letters",
                  "text",
                  "#{styled} letters only look styled; a screen reader spells them out or leaves them out."
                )
              end
            ),
            (
              if run >= ReadAloud::LONG_RUN
                warning("emoji_run", "text", "#{run} emoji in a row are read out one by one.")
              end
            ),
            (
              if hidden.positive?
                warning(
                  "hidden_characters",
                  "text",
                  "#{hidden} invisible #{hidden == 1 ? "character counts" : "characters count"} here, pasted along " \
                    "with something."
                )
              end
            )
          ].compact
        end

        # What some networks take beside the post itself.
        def extras(request, card)
          comment = request["first_comment"].to_s
          limit = card.first_comment
          over = limit ? Counting.count(comment, card.text) - limit : 0
          tagged = Array(request["tagged"]).size
          most = card.tagged
          [
            (
              if over.positive?
                fault(
                  "first_comment_too_long",
                  "first_comment",
                  "The first comment is #{over} over its limit of #{limit}."
                )
              end
            ),
            (
              if most && tagged > most
                fault("too_many_tagged", "tagged", "#{tagged} are tagged; at most #{most} are taken.")
              end
            )
          ].compact
        end

        def fault(code, part, sentence) = Finding.new(code: code, level: "fault", part: part, sentence: sentence)
        def warning(code, part, sentence) = Finding.new(code: code, level: "warning", part: part, sentence: sentence)
      end
    end
  end
end
