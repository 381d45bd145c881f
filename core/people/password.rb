# frozen_string_literal: true

module AskFirst
  module Core
    module People
      # What a password must have: length, and nothing that the person's own name or address gives away. No rules about
      # kinds of characters. Source: NIST SP 800-63B, section 5.1.1.2 (from memory), with a longer minimum.
      module Password
        LEAST = 12
        MOST = 200

        module_function

        # @return [String, nil] what is wrong with it
        def problem(password, email: "", name: "")
          if password.length < LEAST
            return "A password has at least #{LEAST} characters; this one has #{password.length}."
          end
          return "A password has at most #{MOST} characters." if password.length > MOST
          return "A password holds no control characters." if password.match?(/[\u0000-\u001F]/)
          return "The same few characters again and again are guessed first." if password.downcase.chars.uniq.size < 5

          own =
            [email.to_s, email.to_s.split("@").first.to_s, *name.to_s.split].map(&:downcase)
              .select { |word| word.length >= 4 }
          rest = own.reduce(password.downcase) { |text, word| text.gsub(word, "") }
          "Your own name or address is guessed first." if rest.length < LEAST / 2
        end
      end
    end
  end
end
