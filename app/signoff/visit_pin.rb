# frozen_string_literal: true

require "digest"
require "securerandom"

module AskFirst
  module App
    module Signoff
      # The PIN that a new device of a guest needs where the client wants it: six digits by mail, for a quarter of an
      # hour, five tries, three mails. A link that was passed on is of no use without the mailbox of whom it names.
      module VisitPin
        MINUTES = 15
        TRIES = 5
        MAILS = 3

        module_function

        # @param visit [Hash] row of guest_visits
        # @return [Core::Error, nil] what is still missing before this device sees anything
        def missing(kit, visit)
          return if visit[:verified_at]

          scope = Store::Scope.new(kit.db, workspace_ids: visit[:workspace_id], person_id: nil, side: "client")
          return unless scope.transaction { wanted?(kit, visit[:workspace_id]) }

          Core::Refused.new(
            "pin_needed",
            "A PIN was sent to the mailbox that this link belongs to.",
            way_on: "Write it here; it works for #{MINUTES} minutes.",
            field: "pin"
          )
        end

        # Inside a transaction of the client's scope.
        # @raise [KeyError] where the client cannot be seen: nobody gets in by that
        def wanted?(kit, workspace_id) = kit.db[:workspaces].where(id: workspace_id).first.to_h.fetch(:review_pin)

        # @param scope [Store::Scope] of the pass
        # @raise [Core::Conflict] too_many_pins
        def send_one(kit, scope, visit_id)
          sent = scope.rows(:guest_visits).where(id: visit_id).where { pins_sent < MAILS }
          if sent.update(pins_sent: Sequel[:pins_sent] + 1).zero?
            raise Core::Conflict.new(
                    "too_many_pins",
                    "#{MAILS} PINs were sent for this device already.",
                    way_on: "Open the link from the mail once more, or ask the agency for a new one."
                  )
          end
          kit.queue.pin_mail(scope.workspace_id, visit_id, at: kit.now)
        end

        # @param pin [String] as it was typed
        # @raise [Core::Invalid] wrong_pin
        def check(kit, scope, visit_id, pin)
          visits = scope.rows(:guest_visits).where(id: visit_id)
          visit = visits.for_update.first
          good =
            visit[:pin_digest] && visit[:pin_until] > kit.now && visit[:pin_tries] < TRIES &&
              OpenSSL.fixed_length_secure_compare(visit[:pin_digest], digest(visit_id, pin.to_s.gsub(/\D/, "")))
          return visits.update(verified_at: kit.now, pin_digest: nil, pin_until: nil) if good

          visits.update(pin_tries: Sequel[:pin_tries] + 1)
          wrong(visit)
        end

        # It must not be rolled back that a try was made: the refusal is given, not raised, in here.
        def wrong(visit)
          left = TRIES - visit[:pin_tries] - 1
          way = left.positive? ? "Look at the newest mail." : "Have another one sent."
          Core::Invalid.new("wrong_pin", "This is not the PIN, or it is over.", field: "pin", way_on: way)
        end

        def digest(visit_id, pin) = Sequel.blob(Digest::SHA256.digest("#{visit_id}:#{pin}"))
      end
    end
  end
end
