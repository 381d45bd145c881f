# frozen_string_literal: true

module AskFirst
  module App
    module Dispatch
      # Moves one showing on, from wherever it stands, as the dispatcher does with many. May be called at any time and
      # any number of times.
      class Advance < ShowingAct
        # @param sender [Sender, nil] nil: one of its own, for this one showing
        def call(showing_id:, sender: nil)
          @sender = sender || Sender.new(environment, name: "one showing")
          found = showing(showing_id) or return
          case found[:state]
          when "planned"
            go(found)
          when "sending"
            TakeOver.call(environment, member, showing: found)
          when "unclear"
            look_up(found)
          end
        end

        private

        def look_up(found)
          case LookUp.call(environment, member, showing: found)
          when :planned
            go(showing(found[:id]))
          when :resend
            send_claimed(claim(found, again: true).claimed)
          end
        end

        def go(showing)
          return unless due?(showing)

          Prepare.call(environment, member, showing: showing) unless prepared?(showing)
          send_claimed(claim(showing).claimed)
        end

        def send_claimed(found)
          ended = found.map { |claimed| Send.call(environment, claimed, @sender) }
          Keep.call(environment, member, ended: ended) if ended.any?
        end

        # Looked at before, so that what is missing is not found out under all locks.
        def prepared?(showing)
          release = live_release(showing) or return true
          card_known?(channel(showing), environment.now) &&
            (release[:rendition_ids].to_a - showing[:uploads].keys).empty?
        end

        def due?(showing)
          showing[:due_at] && showing[:due_at] <= environment.now
        end

        def claim(showing, again: false)
          Claim.call(environment, member, showings: [showing], sender: @sender, again: again)
        end
      end
    end
  end
end
