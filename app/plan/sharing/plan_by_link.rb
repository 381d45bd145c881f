# frozen_string_literal: true

module AskFirst
  module App
    module Plan
      # What stands under a plan link. Nobody is signed in; whoever has the link sees this and nothing else.
      class PlanByLink
        # @param secret [String] of the link
        # @return [Hash] JSON-ready
        # @raise [Core::NotFound] for a link that was guessed, revoked or has expired: one answer
        def self.call(environment, secret)
          link = Store::Plan::Links.by_secret(environment.db, secret)
          raise Core::NotFound, "This plan" unless link && works?(link, environment.now)

          scope = Store::Scope.new(environment.db, workspace_ids: [link[:workspace_id]], person_id: nil, side: "client")
          note_reading(environment, scope, link)
          open!(environment, scope)
          found = SharedPlan.call(environment.now, scope, **link.slice(:weeks, :marks, :money))
          found.merge(expires_at: link[:expires_at].iso8601)
        end

        def self.works?(link, now)
          Core::Plan::PlanLink.works?(ends_at: link[:expires_at], revoked_at: link[:revoked_at], now: now)
        end

        # When it was read last, to the hour.
        def self.note_reading(environment, scope, link)
          return if link[:read_at] && link[:read_at] > environment.now - 3_600

          scope.transaction { scope.rows(:plan_links).where(id: link[:id]).update(read_at: environment.now) }
        end

        # Of an archived client nothing is planned any more.
        def self.open!(environment, scope)
          here = { id: scope.workspace_ids, archived_at: nil, deleted_at: nil }
          raise Core::NotFound, "This plan" unless scope.transaction { environment.db[:workspaces].where(here).any? }
        end
        private_class_method :works?, :note_reading, :open!
      end
    end
  end
end
