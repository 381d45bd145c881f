# frozen_string_literal: true

require "lockbox"
require "openssl"

module AskFirst
  module Edge
    # Encrypts what must not lie in the database in clear (AES-256-GCM), with a key derived from the installation's
    # secret.
    class Secrets
      def initialize(secret)
        raise ArgumentError, "ASK_FIRST_SECRET must have at least 64 characters" if secret.length < 64

        key = OpenSSL::KDF.hkdf(secret, salt: "ask-first", info: "channel tokens", length: 32, hash: "SHA256")
        @box = Lockbox.new(key: key)
      end

      def seal(text)
        Sequel.blob(@box.encrypt(text))
      end

      def open(sealed)
        @box.decrypt(sealed)
      end
    end
  end
end
