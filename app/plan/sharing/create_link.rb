# frozen_string_literal: true

require "securerandom"

module AskFirst
  module App
    module Plan
      # Makes a link under which a client sees the coming weeks of their plan. 256 random bits, of which the database
      # keeps a digest; the link is told once.
      class CreateLink < Act
        opens :client, "share_plan"

        # @param name [String] for whom it is
        # @param weeks [Integer] that it shows ahead
        # @param days [Integer] after which it ends
        # @param marks [Boolean] whether it shows pencil marks
        # @param money [Boolean] whether it shows boosts
        # @return [Hash] {id:, secret:}
        # @raise [Core::Invalid] name_missing, bad_weeks, bad_days, too_many_links
        def call(name:, weeks:, days:, marks: false, money: false)
          link = Core::Plan::PlanLink.read(name: name, weeks: weeks, days: days, now: now)
          if Store::Plan::Links.working(scope, now).count >= Core::Plan::PlanLink::MOST
            raise Core::Plan::PlanLink.too_many
          end

          secret = SecureRandom.urlsafe_base64(32)
          id = new_id
          keep(id, secret, link, marks: marks, money: money)
          record("plan_shared", facts: { name: link.name })
          { id: id, secret: secret }
        end

        private

        def keep(id, secret, link, **shows)
          said = { name: link.name, weeks: link.weeks, expires_at: link.ends_at, **shows }
          Store::Plan::Links.add(scope, id, secret, **said, made_by: member.person_id, made_at: now)
        end
      end
    end
  end
end
