# frozen_string_literal: true

require "digest"
require "securerandom"

module AskFirst
  module App
    module Signoff
      # The PIN that a new device of a guest needs where the client wants it: six digits by mail, for a quarter of an
      # hour, five tries of each. Mails and wrong tries are counted for the person, whatever link and device they come
      # by (Core::Signoff::PinPace). A link that was passed on is of no use without the mailbox of whom it names.
      module VisitPin
        MINUTES = 15
        TRIES = 5 # of one PIN

        module_function

        # @param visit [Hash] row of guest_visits
        # @return [Core::Error, nil] what is still missing before this device sees anything
        def missing(environment, visit)
          return if visit[:verified_at]

          scope = Store::Scope.new(environment.db, workspace_ids: visit[:workspace_id], person_id: nil, side: "client")
          return unless scope.transaction { wanted?(environment, visit[:workspace_id]) }

          Core::Refused.new(
            "pin_needed",
            "A PIN was sent to the mailbox that this link belongs to.",
            way_on: "Write it here; it works for #{MINUTES} minutes.",
            field: "pin"
          )
        end

        # Inside a transaction of the client's scope.
        # @raise [KeyError] where the client cannot be seen: nobody gets in by that
        def wanted?(environment, workspace_id) =
          environment.db[:workspaces].where(id: workspace_id).first.to_h.fetch(:review_pin)

        # @param scope [Store::Scope] of the pass
        # @raise [Core::Conflict] too_many_pins
        def send_one(environment, scope, visit_id)
          return if send_in_time(environment, scope, visit_id)

          raise Core::Conflict.new(
                  "too_many_pins",
                  "Several PINs were sent to this mailbox already.",
                  way_on: "Wait a little and have another one sent, or ask the agency for a new link."
                )
        end

        # @return [Boolean] false where another one waits
        def send_in_time(environment, scope, visit_id)
          count = Store::Signoff::Pins.of_visit(scope, visit_id)
          pace = Core::Signoff::PinPace
          return false if pace.waits_until(count[:mails], pace::MAILS, count[:mailed_at], environment.now)

          mails = pace.counted(count[:mails], count[:mailed_at], environment.now)
          Store::Signoff::Pins.keep(scope, count[:person_id], mails: mails, mailed_at: environment.now)
          environment.queue.pin_mail(scope.workspace_id, visit_id, at: environment.now)
          true
        end

        # Returns the refusal instead of raising it: raising would roll back the count of tries.
        # @param pin [String] as it was typed
        # @return [Core::Error, nil] wrong_pin, pin_wait
        def check(environment, scope, visit_id, pin)
          count = Store::Signoff::Pins.of_visit(scope, visit_id)
          pace = Core::Signoff::PinPace
          till = pace.waits_until(count[:wrong], pace::TRIES, count[:wrong_at], environment.now)
          return wait(till, environment.now) if till

          visits = scope.rows(:guest_visits).where(id: visit_id)
          visit = visits.for_update.first
          return wrong(environment, scope, visit, count) unless good?(visit, pin, environment.now)

          visits.update(verified_at: environment.now, pin_digest: nil, pin_until: nil)
          Store::Signoff::Pins.keep(scope, count[:person_id], wrong: 0, wrong_at: nil)
          nil
        end

        def good?(visit, pin, now)
          visit[:pin_digest] && visit[:pin_until] > now && visit[:pin_tries] < TRIES &&
            OpenSSL.fixed_length_secure_compare(visit[:pin_digest], digest(visit[:id], pin.to_s.gsub(/\D/, "")))
        end

        def wrong(environment, scope, visit, count)
          scope.rows(:guest_visits).where(id: visit[:id]).update(pin_tries: Store::Database.one_more(:pin_tries))
          tries = Core::Signoff::PinPace.counted(count[:wrong], count[:wrong_at], environment.now)
          Store::Signoff::Pins.keep(scope, count[:person_id], wrong: tries, wrong_at: environment.now)
          if Core::Signoff::PinPace.told?(tries)
            environment.queue.wrong_pins_mail(scope.workspace_id, count[:person_id], tries, at: environment.now)
          end
          left = TRIES - visit[:pin_tries] - 1
          way = left.positive? ? "Look at the newest mail." : "Have another one sent."
          Core::Invalid.new("wrong_pin", "This is not the PIN, or it is over.", field: "pin", way_on: way)
        end

        def wait(till, now)
          minutes = [((till - now) / 60).ceil, 1].max
          Core::Conflict.new(
            "pin_wait",
            "Several wrong PINs were written with links of yours.",
            field: "pin",
            way_on: "Wait #{minutes == 1 ? "a minute" : "#{minutes} minutes"}, or ask the agency for a new link."
          )
        end

        def digest(visit_id, pin) = Store::Database.blob(Digest::SHA256.digest("#{visit_id}:#{pin}"))
      end
    end
  end
end
