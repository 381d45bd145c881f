# frozen_string_literal: true

module AskFirst
  module App
    module Dispatch
      # Compares files that a network has saved anew with what was sent: what they look like is read apart, so this is
      # the worker's. What differs is trouble, and told.
      class CompareFiles < ShowingAct
        def call(showing_id:)
          found = showing(showing_id)
          return unless found && found[:state] == "out"

          release = live_release(found)
          network = client(channel(found))
          shown = network.source(found[:address]) or return
          seen = Core::Dispatch::Likeness.of(release[:request], shown)
          keep(found, seen, shown, differences(release, network, shown, seen.anew)) if seen.anew.any?
        rescue Core::Dispatch::Lapsed, Core::Dispatch::Unreachable
          nil # it stays said that they were not compared; the next look tries it again
        end

        private

        def differences(release, network, shown, anew)
          ours = reading { rows(:renditions).where(id: release[:rendition_ids].to_a).to_hash(:id) }
          anew.filter_map do |at|
            there = network.file(shown["media"][at]["address"])
            sent = environment.files.open(ours.fetch(release[:rendition_ids][at])[:file]) { |io| looks(io) }
            difference(sent, there)
          end
        end

        # Only what is wrong with the file there counts against it: where ours or the network are away, or too much is
        # being read, nothing is said of it.
        def difference(sent, there)
          Core::Dispatch::FileLikeness.difference(sent, looks(StringIO.new(there)))
        rescue Core::Invalid
          "A file there cannot be read."
        end

        def looks(io)
          facts = environment.media.inspect(io)
          io.rewind
          bytes = io.size
          facts = facts.merge(greys: environment.media.greys(io)) if facts[:kind] == "picture"
          facts.merge(bytes: bytes)
        end

        def keep(showing, seen, shown, differences)
          words = Core::Dispatch::Likeness.in_words(seen.anew, shown)
          return trouble(:differ, showing, differences.uniq.join(" ")) if differences.any?

          write do
            note = "#{words} and look#{"s" if seen.anew.one?} the same."
            rows(:showings).where(id: showing[:id], state: "out").update(seen: "same", seen_at: now, seen_note: note)
            attempt(showing, "seen_same", note)
            announce("dispatch", ids: [showing[:post_id]])
          end
        end
      end
    end
  end
end
