# frozen_string_literal: true

require "openssl"

module AskFirst
  module App
    module People
      # A name that somebody typed to sign in, as a digest that only this installation can make: wrong tries are kept
      # under it, and tell nobody who is known here.
      module SignInName
        module_function

        # @return [String] bytes
        def digest(environment, name)
          OpenSSL::HMAC.digest("SHA256", environment.settings.secret, "sign-in:#{name.strip.downcase}")
        end
      end
    end
  end
end
