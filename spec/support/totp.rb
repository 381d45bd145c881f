# frozen_string_literal: true

require "openssl"

# The app on a person's phone, written from RFC 6238 and RFC 4226 alone, so that our second factor is checked against
# the standard and not against the library that it is made with.
module Totp
  ALPHABET = [*"A".."Z", *"2".."7"].freeze # RFC 4648, base 32

  module_function

  # @param secret [String] in base 32
  def code(secret, at: Time.now, digits: 6)
    bytes =
      secret
        .upcase
        .delete("= ")
        .chars
        .map { |char| ALPHABET.index(char).to_s(2).rjust(5, "0") }
        .join
        .scan(/.{8}/)
        .map { |bits| bits.to_i(2) }
        .pack("C*")
    by_bytes(bytes, at, digits)
  end

  def by_bytes(bytes, at, digits)
    hash = OpenSSL::HMAC.digest("SHA1", bytes, [at.to_i / 30].pack("Q>"))
    offset = hash.getbyte(-1) & 0xf
    number = hash[offset, 4].unpack1("N") & 0x7fffffff
    (number % (10**digits)).to_s.rjust(digits, "0")
  end
end
