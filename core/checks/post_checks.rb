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
          [
            too_many_hashtags(text, card.hashtags),
            doubled_hashtags(Hashtags.doubled(text)),
            styled(ReadAloud.styled(text)),
            emoji_run(ReadAloud.longest_emoji_run(text)),
            hidden(ReadAloud.hidden(text))
          ].compact
        end

        def too_many_hashtags(text, most)
          count = Hashtags.find(text).size
          return unless most && count > most

          fault("too_many_hashtags", "text", "#{count} hashtags; at most #{most} are taken.")
        end

        def doubled_hashtags(tags)
          return if tags.empty?

          named = tags.map { |tag| "##{tag}" }.join(", ")
          warning("hashtag_doubled", "text", "#{named} #{tags.one? ? "is" : "are"} there twice.")
        end

        def styled(count)
          return if count.zero?

          warning(
            "styled_letters",
            "text",
            "#{count} letters only look styled; a screen reader spells them out or leaves them out."
          )
        end

        def emoji_run(length)
          return if length < ReadAloud::LONG_RUN

          warning("emoji_run", "text", "#{length} emoji in a row are read out one by one.")
        end

        def hidden(count)
          return if count.zero?

          what = count == 1 ? "character counts" : "characters count"
          warning("hidden_characters", "text", "#{count} invisible #{what} here, pasted along with something.")
        end

        # What some networks take beside the post itself.
        def extras(request, card)
          [long_comment(request["first_comment"].to_s, card), too_many_tagged(Array(request["tagged"]), card)].compact
        end

        def long_comment(comment, card)
          limit = card.first_comment or return
          over = Counting.count(comment, card.text) - limit
          return unless over.positive?

          fault("first_comment_too_long", "first_comment", "The first comment is #{over} over its limit of #{limit}.")
        end

        def too_many_tagged(tagged, card)
          most = card.tagged
          return unless most && tagged.size > most

          fault("too_many_tagged", "tagged", "#{tagged.size} are tagged; at most #{most} are taken.")
        end

        def fault(code, part, sentence) = Finding.new(code: code, level: "fault", part: part, sentence: sentence)
        def warning(code, part, sentence) = Finding.new(code: code, level: "warning", part: part, sentence: sentence)
      end
    end
  end
end
