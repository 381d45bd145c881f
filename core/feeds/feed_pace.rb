# frozen_string_literal: true

module AskFirst
  module Core
    module Feeds
      # When a feed is read again: politely. Half an hour is often enough for any site (common practice, no source);
      # longer where the site says so; each failure doubles the wait, up to a day.
      module FeedPace
        USUAL = 30 * 60 # seconds
        MOST = 24 * 3_600
        FOLDER = 60

        module_function

        # @param failures [Integer] in a row
        # @param asked [Numeric, nil] seconds that the site asks to wait (Retry-After, max-age, ttl)
        # @return [Integer] seconds until the next reading
        def wait(failures: 0, asked: nil)
          own = [USUAL * (2**[failures, 10].min), MOST].min
          asked ? asked.to_i.clamp(own, MOST) : own
        end
      end
    end
  end
end
