# frozen_string_literal: true

module AskFirst
  module Core
    module Signoff
      # How fast PINs may be sent to one person of a client, and tried by whoever holds a link of theirs, over all
      # links and devices: a few at once, then with waits that double. What happened more than a day ago is forgotten.
      # Seconds throughout. The numbers are common practice, no source.
      module PinPace
        MAILS = 3
        TRIES = 5
        FIRST_WAIT = 60
        LONGEST_WAIT = 3_600
        FORGOTTEN_AFTER = 86_400

        module_function

        # @param count [Integer] how many there were
        # @param free [Integer] how many may come at once: MAILS or TRIES
        # @param last [Time, nil] when the last one was
        # @return [Time, nil] until when another one waits; nil where it need not
        def waits_until(count, free, last, now)
          return if last.nil? || count < free || forgotten?(last, now)

          till = last + [FIRST_WAIT * (2**[count - free, 10].min), LONGEST_WAIT].min
          till if till > now
        end

        # @return [Integer] the count with the one that comes now
        def counted(count, last, now) = last.nil? || forgotten?(last, now) ? 1 : count + 1

        # @return [Boolean] whether people are to be told of so many wrong tries: once, and again each time that they
        #   have doubled
        def told?(wrong) = wrong >= TRIES && (wrong % TRIES).zero? && (wrong / TRIES).to_s(2).count("1") == 1

        def forgotten?(last, now) = now - last > FORGOTTEN_AFTER
      end
    end
  end
end
