# frozen_string_literal: true

require "digest"
require "json"
require "json/canonicalization"

module AskFirst
  module Core
    module Posts
      # The digest of exactly the material content: SHA-256 (FIPS 180-4) over the JSON Canonicalization Scheme (RFC 8785).
      module Fingerprint
        module_function

        # @param request [Hash] from Request.build
        # @return [String, nil] 64 hexadecimal digits; nil while a picture has not been rendered, so nothing can count yet
        def of(request)
          return nil if request["media"].any? { |picture| picture["digest"].nil? }

          Digest::SHA256.hexdigest(canonical(request))
        end

        # @return [String] RFC 8785 form
        def canonical(value)
          value.to_json_c14n
        end
      end
    end
  end
end
