# frozen_string_literal: true

module AskFirst
  module Core
    module Dispatch
      # Compares what a network shows with what was approved: same, differs (how) or cannot tell (what). A file with
      # the very bytes that were sent is the same; one that the network has saved anew has to be looked at
      # (FileLikeness), which is done elsewhere.
      module Likeness
        # anew: places of the files that the network shows with other bytes than were sent
        Seen = Struct.new(:kind, :note, :anew, keyword_init: true) { def initialize(anew: [], **more) = super }

        module_function

        # @param approved [Hash] the request that was sent
        # @param shown [Hash, nil] {"text" => String, "media" => [{"address" =>, "loads" => true/false/nil,
        #   "digest" =>}]}; nil: not there
        def of(approved, shown)
          return Seen.new(kind: "differs", note: "The network does not show the post.") if shown.nil?

          differences = [text(approved, shown), *media(approved, shown), link_card(approved, shown)].compact
          return Seen.new(kind: "differs", note: differences.join(" ")) if differences.any?
          if shown["media"].any? { |picture| picture["loads"].nil? }
            return Seen.new(kind: "cannot_tell", note: "A picture could not be looked at.")
          end

          anew = saved_anew(approved, shown)
          return Seen.new(kind: "same", note: "") if anew.empty?

          Seen.new(kind: "cannot_tell", note: "#{in_words(anew, shown)} and not compared yet.", anew: anew)
        end

        # @return [Array<Integer>] places of the files that have other bytes there
        def saved_anew(approved, shown)
          approved["media"]
            .zip(shown["media"])
            .each_index
            .select do |at|
              digests = [approved, shown].map { |one| one["media"][at]["digest"] }
              digests.all? && digests.uniq.size == 2
            end
        end

        # @param anew [Array<Integer>]
        # @param shown [Hash]
        # @return [String] without its end
        def in_words(anew, shown)
          "#{anew.size} of #{shown["media"].size} files #{anew.one? ? "was" : "were"} saved anew there,"
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
