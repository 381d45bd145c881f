# frozen_string_literal: true

module AskFirst
  module Core
    module People
      # How long somebody waits after wrong tries to sign in. Slower with each wrong try, for one name from one
      # address; slower for one name from everywhere, and for one address with many names, so that neither many
      # addresses nor many names go around it.
      # A device from which the person signed in before is judged by its own tries alone: nobody else can keep them
      # out of it.
      # Common practice, no source; the numbers are ours.
      module Brake
        # A wrong try. address: from where · device: a known one's id, nil for any other · at: when
        Try = Struct.new(:address, :device, :at, keyword_init: true)
        # free: wrong tries without a wait · within: seconds that a try counts · start: seconds of the first wait,
        # doubled with each further try up to longest
        Rule = Struct.new(:free, :within, :start, :longest, keyword_init: true)

        PAIR = Rule.new(free: 5, within: 3_600, start: 15, longest: 900).freeze
        EVERYWHERE = Rule.new(free: 25, within: 3_600, start: 60, longest: 900).freeze
        ADDRESS = Rule.new(free: 60, within: 900, start: 60, longest: 900).freeze

        module_function

        # @param own [Array<Try>] for this name
        # @param there [Array<Try>] from this address, for whatever name
        # @param device [String, nil] the known device's id
        # @param now [Time]
        # @return [Integer] seconds to wait; 0 to go on
        def wait(own, there, address:, device:, now:)
          return left(own.select { |try| try.device == device }, PAIR, now) if device

          strange = own.select { |try| try.device.nil? }
          [
            left(strange.select { |try| try.address == address }, PAIR, now),
            left(strange, EVERYWHERE, now),
            left(there, ADDRESS, now)
          ].max
        end

        def left(tries, rule, now)
          counting = tries.map(&:at).select { |at| now - at < rule.within }
          over = counting.size - rule.free
          return 0 if over.negative?

          wait = [rule.start * (2**[over, 20].min), rule.longest].min
          [(counting.max + wait - now).ceil, 0].max
        end
        private_class_method :left
      end
    end
  end
end
