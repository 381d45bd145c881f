# frozen_string_literal: true

require "digest"

module AskFirst
  module Store
    module Plan
      # Plan links of clients. The database keeps a digest of each secret, and never the secret.
      module Links
        SHOWN = %i[id name weeks marks money made_by made_at expires_at read_at].freeze

        module_function

        # @param scope [Scope]
        # @param now [Time]
        # @return [Sequel::Dataset] of those that were neither revoked nor have ended
        def working(scope, now)
          scope.rows(:plan_links).where(revoked_at: nil).where(Sequel[:plan_links][:expires_at] > now)
        end

        # @param scope [Scope]
        # @return [Array<Hash>] those that work, the oldest first
        def list(scope, now) = working(scope, now).order(:made_at).select(*SHOWN).all

        # @param secret [String] of the link
        # @param link [Hash] its other columns
        def add(scope, id, secret, **link)
          scope.insert(:plan_links, { id: id, digest: digest(secret), **link })
        end

        # @param secret [String] as somebody has it who is not signed in
        # @return [Hash, nil] its row, also when it has ended
        def by_secret(db, secret)
          Scope.of_secret(db, digest(secret)).transaction { db[:plan_links].where(digest: digest(secret)).first }
        end

        def digest(secret) = Sequel.blob(Digest::SHA256.digest(secret.to_s))
        private_class_method :digest
      end
    end
  end
end
