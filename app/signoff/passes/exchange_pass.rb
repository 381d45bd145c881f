# frozen_string_literal: true

require "digest"
require "securerandom"

module AskFirst
  module App
    module Signoff
      # Exchanges a guest pass for a visit of that pass alone (a cookie). Nothing is used up: the link works until it
      # expires or is revoked. Opening the bare address does not come here, so a mail scanner changes nothing.
      module ExchangePass
        VISIT_DAYS = 14

        module_function

        # @return [String] the visit's secret, for the cookie
        # @raise [Core::Over] why it does not work (PassOver), told to whoever holds its secret
        def call(environment, token)
          now = environment.now
          digest = CreatePass.digest(token.to_s)
          pass =
            Store::Scope
              .of_secret(environment.db, digest)
              .transaction { environment.db[:guest_passes].where(digest: digest).first }
          why = PassOver.why(environment, pass) and raise why

          visit = SecureRandom.urlsafe_base64(32)
          id = Core::Uuid.v7(now)
          scope =
            Store::Scope.new(
              environment.db,
              workspace_ids: pass[:workspace_id],
              person_id: pass[:person_id],
              side: "client"
            )
          scope.transaction do
            scope.insert(
              :guest_visits,
              { id: id, pass_id: pass[:id], digest: CreatePass.digest(visit), opened_at: now }
            )
            VisitPin.send_in_time(environment, scope, id) if VisitPin.wanted?(environment, pass[:workspace_id])
            Store::Record::Rows.add(
              scope,
              now: now,
              who: {
                person_id: pass[:person_id],
                pass_id: pass[:id]
              },
              act: "pass_opened",
              facts: {
                ask: pass[:ask_id]
              }
            )
          end
          visit
        end

        # Whoever comes with a visit's cookie; checked on every request.
        # @return [Member]
        # @raise [Core::Refused] pin_needed
        def member(environment, visit, from)
          pass = pass_of(environment, visit)
          why = PassOver.why(environment, pass) and raise why
          missing = VisitPin.missing(environment, visit(environment, visit)) and raise missing

          row = Store::People::Members.find(environment.db, pass[:person_id], pass[:workspace_id], environment.now) or
            raise PassOver.stopped
          Member.from_row(row, from: from, pass: pass)
        end

        # The PIN that was mailed for this device.
        # @raise [Core::Invalid, Core::Conflict] wrong_pin, pin_wait
        def verify(environment, visit, pin)
          refusal = at_visit(environment, visit) { |scope, id| VisitPin.check(environment, scope, id, pin) }
          raise refusal if refusal.is_a?(Core::Error)
        end

        def send_pin(environment, visit)
          at_visit(environment, visit) { |scope, id| VisitPin.send_one(environment, scope, id) }
        end

        def at_visit(environment, secret)
          why = PassOver.why(environment, pass_of(environment, secret)) and raise why
          found = visit(environment, secret)
          scope = Store::Scope.new(environment.db, workspace_ids: found[:workspace_id], person_id: nil, side: "client")
          scope.transaction { yield scope, found[:id] }
        end

        # The visit is found by its secret, and through its workspace the pass.
        def pass_of(environment, visit)
          found = visit(environment, visit) or return
          scope = Store::Scope.new(environment.db, workspace_ids: found[:workspace_id], person_id: nil, side: "client")
          scope.transaction { scope.rows(:guest_passes).where(id: found[:pass_id]).first }
        end

        # @return [Hash, nil] the visit's row
        def visit(environment, secret)
          digest = CreatePass.digest(secret.to_s)
          Store::Scope
            .of_secret(environment.db, digest)
            .transaction { environment.db[:guest_visits].where(digest: digest).first }
        end
      end
    end
  end
end
