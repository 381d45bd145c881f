# frozen_string_literal: true

require "securerandom"

module AskFirst
  module Core
    module People
      # A recovery code as somebody copies it from paper: four groups of four, without signs that look alike (0 and O,
      # 1, I and L). 16 of 31 signs are 79 bits; NIST SP 800-63B-4, 3.1.2.1, wants 20 at least for such a code, with a
      # limit on tries (from memory).
      module RecoveryCode
        ALPHABET = "23456789ABCDEFGHJKMNPQRSTUVWXYZ".chars.freeze
        GROUPS = 4
        FORMAT = /\A(?:[#{ALPHABET.join}]{4}-){#{GROUPS - 1}}[#{ALPHABET.join}]{4}\z/

        module_function

        # @param random [#random_number]
        # @return [String] such as "K7QM-4TXR-92HF-C3WD"
        def make(random: SecureRandom)
          Array.new(GROUPS) { Array.new(4) { ALPHABET[random.random_number(ALPHABET.size)] }.join }.join("-")
        end

        # What was typed, in whatever case and with whatever between its groups. What is no such code stays as it is:
        # codes from before had another form.
        # @param typed [String]
        # @return [String]
        def clean(typed)
          plain = typed.upcase.gsub(/[^A-Z0-9]/, "").scan(/.{1,4}/).join("-")
          FORMAT.match?(plain) ? plain : typed
        end
      end
    end
  end
end
