# frozen_string_literal: true

require "digest"

module AskFirst
  module Core
    module Channels
      # Proof Key for Code Exchange: whoever ends the way to a network and back is who began it. Source: RFC 7636,
      # method S256.
      module Pkce
        METHOD = "S256"
        FORMAT = /\A[A-Za-z0-9\-._~]{43,128}\z/

        module_function

        # @param verifier [String]
        # @return [String] base64url without padding (RFC 7636, appendix A)
        def challenge(verifier)
          unless FORMAT.match?(verifier)
            raise Invalid.new("bad_verifier", "A code verifier has 43 to 128 unreserved characters.", field: "verifier")
          end

          [Digest::SHA256.digest(verifier)].pack("m0").tr("+/", "-_").delete("=")
        end
      end
    end
  end
end
