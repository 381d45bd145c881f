# frozen_string_literal: true

module AskFirst
  module App
    module Dispatch
      # Looks at the network whether what was approved is really there, with its pictures: soon after sending, and again
      # after an hour, a day and a week.
      class Verify < ShowingAct
        LOOKS = 4 # a post that is not there yet is looked for this often before it is trouble
        AGAIN = [3_600, 86_400, 604_800].freeze # seconds after sending: posts vanish or are changed at their network

        def call(showing_id:, look: 1)
          found = showing(showing_id)
          return unless found && found[:state] == "out"

          release = live_release(found)
          shown = client(channel(found)).source(found[:address])
          return look_again(found, look) if shown.nil? && look < LOOKS && found[:seen].nil?

          keep(found, Core::Dispatch::Likeness.of(release[:request], shown))
        rescue Core::Dispatch::Lapsed, Core::Dispatch::Unreachable => e
          keep(
            found,
            Core::Dispatch::Likeness::Seen.new(
              kind: "cannot_tell",
              note: "The network could not be looked at: #{e.message}"
            )
          )
        end

        private

        def look_again(showing, look)
          wait = [channel(showing)[:card].settles_within, 1].max * (look + 1)
          write do
            attempt(showing, "not_there_yet", "Looked, and it does not show yet.")
            environment.queue.verify(member.workspace_id, showing[:id], at: now + wait, look: look + 1)
          end
        end

        # The next of the later looks, counted from sending.
        def look_after(showing)
          later = AGAIN.map { |wait| showing[:sent_at] + wait }.find { |at| at > now + 60 }
          environment.queue.verify(member.workspace_id, showing[:id], at: later, look: LOOKS) if later
        end

        def keep(showing, seen)
          write do
            rows(:showings).where(id: showing[:id]).update(seen: seen.kind, seen_at: now, seen_note: seen.note)
            attempt(showing, "seen_#{seen.kind}", seen.note)
            record(
              "verified",
              post_id: showing[:post_id],
              adaptation_id: showing[:adaptation_id],
              facts: {
                seen: seen.kind,
                note: seen.note
              }
            )
            announce("dispatch", ids: [showing[:post_id]])
            environment.queue.compare_files(member.workspace_id, showing[:id], at: now) if seen.anew.any?
            look_after(showing) unless seen.kind == "differs"
          end
          trouble(:differ, showing, seen.note) if seen.kind == "differs"
        end
      end
    end
  end
end
