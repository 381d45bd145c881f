# frozen_string_literal: true

module AskFirst
  module Store
    module People
      # Wrong tries to sign in. A name is kept as a digest, so that the table tells nobody who is known here.
      module SignInTries
        KEPT = 86_400 # seconds

        module_function

        # @param digest [String] bytes
        # @return [Array(Array<Core::People::Brake::Try>, Array<Core::People::Brake::Try>)] for the name, and from the
        # address
        def of(db, digest, address, now)
          since = now - Core::People::Brake::PAIR.within
          found =
            db[:sign_in_tries]
              .where { at > since }
              .where(Sequel.|({ name_digest: Sequel.blob(digest) }, { address: address }))
              .all
          [
            found.select { |row| row[:name_digest] == digest },
            found.select { |row| row[:address] == address }
          ].map { |rows| rows.map { |row| try(row) } }
        end

        def add(db, digest, address:, device:, now:, told: false)
          db[:sign_in_tries].where(Sequel[:at] < now - KEPT).delete
          db[:sign_in_tries].insert(
            id: Core::Uuid.v7(now),
            name_digest: Sequel.blob(digest),
            address: address,
            device: device,
            at: now,
            told: told
          )
        end

        # @return [Boolean] whether the person was told today already
        def told?(db, digest)
          db[:sign_in_tries].where(name_digest: Sequel.blob(digest), told: true).any?
        end

        # After a reset, or when an owner lets somebody in.
        def forget(db, digest)
          db[:sign_in_tries].where(name_digest: Sequel.blob(digest)).delete
        end

        # @param digests [Array<String>]
        # @return [Array<String>] those with so many wrong tries of late that somebody new would wait
        def many(db, digests, now)
          since = now - Core::People::Brake::PAIR.within
          blobs = digests.map { |one| Sequel.blob(one) }
          db[:sign_in_tries]
            .where(name_digest: blobs)
            .where { at > since }
            .group(:name_digest)
            .having { count.function.* >= Core::People::Brake::PAIR.free }
            .select_map(:name_digest)
        end

        def try(row)
          Core::People::Brake::Try.new(address: row[:address], device: row[:device], at: row[:at])
        end
        private_class_method :try
      end
    end
  end
end
