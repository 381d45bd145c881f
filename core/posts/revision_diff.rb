# frozen_string_literal: true

module AskFirst
  module Core
    module Posts
      # What is different between two revisions of an adaptation: its text by words, its pictures side by side,
      # everything else by line. Out of the snapshots, never out of live parts.
      module RevisionDiff
        # what is shown by itself, or is the same account told otherwise
        APART = %w[text media account].freeze
        LABELS = {
          "link" => "Link",
          "link_card" => "Link card",
          "tagged" => "Tagged",
          "first_comment" => "First comment",
          "call_to_action" => "Call to action",
          "format" => "Format",
          "audience" => "Audience",
          "event" => "Event",
          "budget" => "Boost",
          "time" => "Time",
          "account" => "Account"
        }.freeze

        # One kept adaptation. request: the material content; time: WallTime or nil
        Kept = Struct.new(:request, :fingerprint, :time, keyword_init: true)

        module_function

        # @param before [Kept, nil] nil: the channel was not there yet
        # @param after [Kept, nil] nil: the channel was taken off
        # @return [Hash] {change: "same"|"changed"|"added"|"removed", text: [Run], media: {before:, after:, changed:},
        # lines: [{key:, label:, before:, after:}]}
        def call(before, after)
          return whole(after, "added") if before.nil?
          return whole(before, "removed") if after.nil?

          lines = lines(before, after)
          media = media(before, after)
          same = before.fingerprint == after.fingerprint && lines.empty?
          {
            change: same ? "same" : "changed",
            text: WordDiff.runs(before.request["text"], after.request["text"]),
            media: media,
            lines: lines
          }
        end

        def whole(kept, change)
          kind = change == "added" ? "new" : "gone"
          {
            change: change,
            text: [WordDiff::Run.new(kind: kind, words: kept.request["text"])],
            media: change == "added" ? media(nil, kept) : media(kept, nil),
            lines: []
          }
        end

        def media(before, after)
          one = pictures(before)
          other = pictures(after)
          { before: one, after: other, changed: one != other }
        end

        def pictures(kept)
          kept ? kept.request["media"].map { |picture| picture.values_at("digest", "description") } : []
        end

        def lines(before, after)
          there = (before.request.keys | after.request.keys) - APART
          keys = (LABELS.keys & there) | there # in one order, whatever the order in which they were kept
          settings = ["account", *keys].filter_map { |key| line(key, before.request[key], after.request[key]) }
          [times(before.time, after.time), *settings].compact
        end

        def line(key, before, after)
          if before != after
            { key: key, label: LABELS.fetch(key, key), before: InWords.of(key, before), after: InWords.of(key, after) }
          end
        end

        # The zone is named where it is what changed.
        def times(before, after)
          zones = [before, after].compact.map(&:zone).uniq
          line(
            "time",
            *[before, after].map do |time|
              time && [InWords.time(time.wall), (time.zone if zones.size > 1)].compact.join(" ")
            end
          )
        end
      end
    end
  end
end
