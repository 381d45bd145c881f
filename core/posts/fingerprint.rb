# frozen_string_literal: true

require "digest"
require "json"
require "json/canonicalization"

module AskFirst
  module Core
    module Posts
      # The digest of exactly the material content: SHA-256 (FIPS 180-4) over the JSON Canonicalization Scheme (RFC
      # 8785).
      module Fingerprint
        module_function

        # @param request [Hash] from Request.build
        # @return [String, nil] 64 hexadecimal digits; nil while a picture has not been rendered, so nothing can count
        # yet
        def of(request)
          if [*request["media"].map { |file| file["digest"] }, request["link_card"].to_h.fetch("picture", "")].any?(
               &:nil?
             )
            return nil
          end

          Digest::SHA256.hexdigest(canonical(request))
        end

        # Fractions have no place in what goes out (money is in minor units), and how they are written is where
        # implementations differ, so they are refused rather than digested.
        # @return [String] RFC 8785 form
        # @raise [Invalid] fraction
        def canonical(value)
          if fraction?(value)
            raise Invalid.new(
                    "fraction",
                    "What is to be digested holds a fraction; only whole numbers can stand there."
                  )
          end

          value.to_json_c14n
        end

        def fraction?(value)
          case value
          when Float
            true
          when Array
            value.any? { |one| fraction?(one) }
          when Hash
            value.each_value.any? { |one| fraction?(one) }
          else
            false
          end
        end
      end
    end
  end
end
