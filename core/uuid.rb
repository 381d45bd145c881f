# frozen_string_literal: true

require "securerandom"

module AskFirst
  module Core
    # UUID version 7 (RFC 9562, 5.7): 48 bits of milliseconds, then random bits. Sorts by time and tells no count.
    module Uuid
      FORMAT = /\A[0-9a-f]{8}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{12}\z/

      LATE = 24 * 3_600 # seconds that may pass between the making of an id elsewhere and its first use here
      EARLY = 60 # seconds that the clock of whoever made it may be ahead

      module_function

      # @param now [Time]
      # @param random [String] ten random bytes
      def v7(now, random: SecureRandom.random_bytes(10))
        millis = (now.to_r * 1000).floor
        hex = format("%012x", millis) + random.unpack1("H*")
        hex[12] = "7"
        hex[16] = (8 | (hex[16].to_i(16) & 3)).to_s(16)
        "#{hex[0, 8]}-#{hex[8, 4]}-#{hex[12, 4]}-#{hex[16, 4]}-#{hex[20, 12]}"
      end

      # Whether an id of version 7 was made lately: what is sorted by its id must not be put into the past.
      def lately?(id, now)
        time(id)&.between?(now - LATE, now + EARLY) || false
      end

      # @return [Time, nil] when an id of version 7 was made; nil for anything else
      def time(id)
        return unless FORMAT.match?(id.to_s) && id[14] == "7"

        Time.at(Rational(id.delete("-")[0, 12].to_i(16), 1000)).utc
      end
    end
  end
end
