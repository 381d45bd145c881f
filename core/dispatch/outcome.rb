# frozen_string_literal: true

require "time"
require "uri"

module AskFirst
  module Core
    module Dispatch
      # What a network's reply to a create means. Known ends: 201 with an address, or a final 4xx. 429 was not taken
      # and may be repeated. Everything else is unclear: it may have arrived (RFC 9110, section 9.2.2: POST is not
      # idempotent).
      module Outcome
        # An address longer than this is none that a page could have.
        LONGEST = 2_000
        Result = Struct.new(:kind, :address, :retry_after, :note, keyword_init: true)

        module_function

        # @param status [Integer, nil] nil when no reply came
        # @param location [String, nil]
        # @param retry_after [Numeric, nil] seconds
        # @return [Result] kind: :out, :refused, :lapsed, :busy, :unreached (it never got there) or :unclear
        def of(status, location: nil, retry_after: nil, note: "")
          kind = kind(status, location)
          Result.new(kind: kind, address: (location if kind == :out), retry_after: retry_after, note: note)
        end

        def kind(status, location)
          case status
          when 201
            address?(location) ? :out : :unclear
          when 401
            :lapsed
          when 429
            :busy
          when 400..407, 409..499
            :refused # 408: the request may have arrived
          else
            :unclear
          end
        end

        # @return [Result] of a create that surely never arrived: no connection was made
        def unreached(note)
          Result.new(kind: :unreached, note: note)
        end

        def address?(location)
          said = location.to_s
          uri = URI.parse(said)
          said.size <= LONGEST && %w[http https].include?(uri.scheme) && !uri.host.to_s.empty?
        rescue URI::InvalidURIError
          false
        end

        # @param value [String, nil] the Retry-After header: seconds or an HTTP date (RFC 9110, 10.2.3)
        # @return [Numeric, nil] seconds from now
        def retry_after(value, now)
          return nil if value.nil?
          return Integer(value, 10) if value.match?(/\A\d+\z/)

          [Time.httpdate(value) - now, 0].max
        rescue ArgumentError
          nil
        end
      end
    end
  end
end
