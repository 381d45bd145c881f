# frozen_string_literal: true

require "digest"
require "securerandom"

module AskFirst
  module App
    module Plan
      # Makes a link under which a client sees the coming weeks of their plan. 256 random bits, of which the database
      # keeps a digest; the link is told once.
      class CreateLink < Act
        opens :client, "share_plan"

        MOST = 20 # that work at once, of one client
        NAME = 60
        DAYS = 365 # that one works at most
        WEEKS = 26

        # @param name [String] for whom it is
        # @param weeks [Integer] that it shows ahead
        # @param days [Integer] after which it ends
        # @param marks [Boolean] whether it shows pencil marks
        # @param money [Boolean] whether it shows boosts
        # @return [Hash] {id:, secret:}
        # @raise [Core::Invalid] name_missing, bad_weeks, bad_days, too_many_links
        def call(name:, weeks:, days:, marks: false, money: false)
          text = Core::Posts::Text.line(name, field: "name", limit: NAME)
          raise wrong("name_missing", "The link needs a name.", "name", "Say for whom it is.") if text.empty?
          unless in?(weeks, WEEKS)
            raise wrong("bad_weeks", "It shows 1 to #{WEEKS} weeks.", "weeks", "Choose how many.")
          end
          raise wrong("bad_days", "It ends after 1 to #{DAYS} days.", "days", "Choose when.") unless in?(days, DAYS)
          if rows(:plan_links).where(revoked_at: nil).where(Sequel[:plan_links][:expires_at] > now).count >= MOST
            raise too_many
          end

          secret = SecureRandom.urlsafe_base64(32)
          id = new_id
          keep(id, secret, name: text, weeks: weeks, marks: marks, money: money, expires_at: now + (days * 86_400))
          record("plan_shared", facts: { name: text })
          { id: id, secret: secret }
        end

        private

        def keep(id, secret, **link)
          by = { made_by: member.person_id, made_at: now }
          digest = Sequel.blob(Digest::SHA256.digest(secret))
          scope.db[:plan_links].insert(workspace_id: member.workspace_id, id: id, digest: digest, **link, **by)
        end

        def in?(number, most) = number.is_a?(Integer) && number.between?(1, most)

        def too_many
          wrong("too_many_links", "There are #{MOST} plan links here already.", "name", "Revoke one first.")
        end

        def wrong(code, sentence, field, way_on)
          Core::Invalid.new(code, sentence, field: field, way_on: way_on)
        end
      end
    end
  end
end
