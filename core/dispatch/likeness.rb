# frozen_string_literal: true

module AskFirst
  module Core
    module Dispatch
      # Compares what a network shows with what was approved: same, differs (how) or cannot tell (what).
      module Likeness
        Seen = Struct.new(:kind, :note, keyword_init: true)

        module_function

        # @param approved [Hash] the request that was sent
        # @param shown [Hash, nil] {"text" => String, "media" => [{"address" =>, "loads" => true/false/nil}]}; nil:
        # not there
        def of(approved, shown)
          return Seen.new(kind: "differs", note: "The network does not show the post.") if shown.nil?

          differences = [text(approved, shown), *media(approved, shown), link_card(approved, shown)].compact
          return Seen.new(kind: "differs", note: differences.join(" ")) if differences.any?
          if shown["media"].any? { |picture| picture["loads"].nil? }
            return Seen.new(kind: "cannot_tell", note: "A picture could not be looked at.")
          end

          Seen.new(kind: "same", note: "")
        end

        def text(approved, shown)
          "The text there is not what was approved." if fold(approved["text"]) != fold(shown["text"])
        end

        # Only where a person put something there: what a page says of itself may change.
        def link_card(approved, shown)
          wanted = approved["link_card"] or return
          there = shown["link_card"] || {}
          if %w[title words].any? { |part| fold(wanted[part]) != fold(there[part]) }
            "The link card there is not what was approved."
          end
        end

        def media(approved, shown)
          sent = approved["media"].size
          there = shown["media"].size
          found = []
          if sent != there
            found << (
              if there.zero?
                "The post is there, its #{sent == 1 ? "picture is" : "pictures are"} not."
              else
                "#{there} of #{sent} pictures are there."
              end
            )
          end
          if shown["media"].map { |picture| picture["address"] }.uniq.size < there
            found << "Two pictures have one address there."
          end
          broken = shown["media"].count { |picture| picture["loads"] == false }
          found << "#{broken} of #{there} pictures do not load." if broken.positive?
          found
        end

        def fold(text)
          text.to_s.gsub(/[[:space:]]+/, " ").strip
        end
      end
    end
  end
end
