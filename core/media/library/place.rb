# frozen_string_literal: true

module AskFirst
  module Core
    module Media
      # Where a picture was taken, as its camera wrote it down: degrees, minutes and seconds, each a fraction, with the
      # half of the earth (Exif 2.32, CIPA DC-008, GPSLatitude and its neighbours).
      module Place
        LATITUDE = 90
        LONGITUDE = 180

        module_function

        # @param latitude [String, nil] such as "59/1 54/1 2784/100"
        # @param north_south [String, nil] N or S
        # @param longitude [String, nil]
        # @param east_west [String, nil] E or W
        # @return [Array(Float, Float), nil] degrees, south and west negative; nil for what is no place
        def of(latitude:, north_south:, longitude:, east_west:)
          place = [degrees(latitude, north_south, "NS", LATITUDE), degrees(longitude, east_west, "EW", LONGITUDE)]
          place if place.all?
        end

        def degrees(value, half, halves, most)
          parts = value.to_s.scan(%r{(\d+)/(\d+)}).map { |pair| pair.map(&:to_i) }
          sign = halves.index(half.to_s[0] || "-")
          return if parts.size != 3 || sign.nil? || parts.any? { |_, under| under.zero? }

          size = parts.zip([1, 60, 3600]).sum { |(over, under), part| Rational(over, under * part) }
          (sign.zero? ? size : -size).to_f if size <= most
        end
        private_class_method :degrees
      end
    end
  end
end
