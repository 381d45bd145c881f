# frozen_string_literal: true

require "digest"
require "securerandom"

module AskFirst
  module App
    module Signoff
      # Makes a guest pass: 256 random bits that only the mail holds. The database keeps a digest. An older pass of
      # the same person for the same ask stops working, so that one link is the link.
      class CreatePass < Act
        of_process

        DAYS = 14

        # @param keep [Boolean] whether the older links go on working: a reminder must not stop whoever is reading
        # @return [String] the pass, for the link
        def call(ask_id:, person_id:, keep: false)
          token = SecureRandom.urlsafe_base64(32)
          write do
            older = rows(:guest_passes).where(ask_id: ask_id, person_id: person_id, revoked_at: nil)
            older.update(revoked_at: now) unless keep
            scope.insert(
              :guest_passes,
              {
                id: new_id,
                ask_id: ask_id,
                person_id: person_id,
                digest: self.class.digest(token),
                made_at: now,
                expires_at: now + (DAYS * 86_400)
              }
            )
            # an open sheet says who has a link
            announce("posts", ids: rows(:ask_lines).where(ask_id: ask_id).select_map(:post_id))
          end
          token
        end

        def self.digest(token)
          Store::Database.blob(Digest::SHA256.digest(token))
        end
      end
    end
  end
end
