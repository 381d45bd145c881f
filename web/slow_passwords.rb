# frozen_string_literal: true

module AskFirst
  module Web
    # Who is signed in and is asked for the password once more gets no endless tries at it. Included into Rodauth's
    # class.
    class SlowPasswords < Module
      # @param environment [App::Environment]
      def initialize(environment)
        super()
        define_method(:password_match?) do |password|
          next super(password) if request.path == SignInBrake::LOGIN

          wait = SignInBrake.wait(environment, account_id, request.env)
          if wait.positive?
            request.halt(
              Problem.reply(
                429,
                "slow_down",
                "Too many wrong passwords.",
                field: "password",
                way_on: "Try again #{SignInWords.after(wait)}."
              )
            )
          end
          super(password).tap { |right| SignInBrake.wrong(environment, account_id, request.env) unless right }
        end
      end
    end
  end
end
