# frozen_string_literal: true

module AskFirst
  module App
    module Signoff
      # Why a guest pass does not work, in the words for the person who holds it. Whoever has its secret may know; an
      # invented one is never found.
      module PassOver
        module_function

        # @param pass [Hash, nil] its row
        # @return [Core::Over, nil] nil: it works
        def why(environment, pass)
          return unknown if pass.nil?
          return expired(pass) if pass[:revoked_at].nil? && pass[:expires_at] <= environment.now

          revoked(environment, pass) if pass[:revoked_at]
        end

        def unknown
          over(
            "pass_unknown",
            "This link is not whole, or it was never one of ours.",
            "Open it from the mail once more: some programs cut long links."
          )
        end

        def expired(pass)
          over(
            "pass_expired",
            "This link worked until #{pass[:expires_at].strftime("%-d %B")}.",
            "Ask the agency for a new one. What you answered before counts."
          )
        end

        def stopped
          over(
            "pass_revoked",
            "The agency has stopped this link.",
            "Ask them for a new one if you still have something to say. What you answered before counts."
          )
        end

        def revoked(environment, pass)
          scope =
            Store::Scope.new(
              environment.db,
              workspace_ids: pass[:workspace_id],
              person_id: pass[:person_id],
              side: "client"
            )
          scope.transaction do
            if withdrawn?(scope, pass)
              scope
                .rows(:asks)
                .where(id: pass[:ask_id], told_withdrawn_at: nil)
                .update(told_withdrawn_at: environment.now)
              next(
                over(
                  "ask_withdrawn",
                  "The agency has withdrawn what it asked here.",
                  "Nothing is needed from you. What you answered before is kept."
                )
              )
            end
            if newer?(scope, pass, environment.now)
              next(
                over(
                  "pass_replaced",
                  "There is a newer link for this.",
                  "It is in the newest mail about it. What you answered before counts."
                )
              )
            end

            stopped
          end
        end

        def withdrawn?(scope, pass)
          scope.rows(:asks).where(id: pass[:ask_id]).exclude(withdrawn_at: nil).any?
        end

        def newer?(scope, pass, now)
          scope
            .rows(:guest_passes)
            .where(ask_id: pass[:ask_id], person_id: pass[:person_id], revoked_at: nil)
            .where { expires_at > now }
            .any?
        end

        def over(code, sentence, way_on)
          Core::Over.new(code, sentence, way_on: way_on)
        end
        private_class_method :unknown, :expired, :revoked, :withdrawn?, :newer?, :over
      end
    end
  end
end
