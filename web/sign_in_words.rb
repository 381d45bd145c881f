# frozen_string_literal: true

module AskFirst
  module Web
    # Rodauth's replies as problem details, in our words. Which of address and password was wrong would tell which
    # accounts exist, so it is not said; neither is whether a reset was mailed.
    module SignInWords
      WRONG = "The address or the password is not right."
      # what Rodauth gives as the reason => [status, code, sentence, way on, field]
      REASONS = {
        "invalid_otp_auth_code" => [
          401,
          "wrong_code",
          "The code is not right, or its half minute is over.",
          "Take the code that the app shows now.",
          "otp"
        ],
        "otp_locked_out" => [429, "locked_out", "Too many wrong codes.", "Use a recovery code.", "otp"],
        "invalid_recovery_code" => [
          401,
          "wrong_code",
          "This recovery code is not right, or was used before.",
          "Take another of your codes.",
          "recovery-code"
        ],
        "two_factor_need_authentication" => [
          401,
          "second_factor",
          "Your second factor is needed too.",
          "Give the code that your app shows.",
          "otp"
        ],
        "two_factor_not_setup" => [
          409,
          "no_second_factor",
          "You have no second factor.",
          "Set one up in your profile.",
          "otp"
        ],
        "two_factor_already_authenticated" => [409, "done_already", "You have given the code already.", nil, "otp"],
        "same_as_existing_password" => [
          422,
          "same_password",
          "This is the password that you have now.",
          "Take another one.",
          "new_password"
        ],
        "login_required" => [401, "signed_out", "You are not signed in.", "Sign in; what you typed is kept here.", nil],
        "invalid_reset_password_key" => [
          410,
          "reset_over",
          "This link no longer works.",
          "Ask for a new one from the sign-in page.",
          nil
        ],
        "no_matching_reset_password_key" => [
          410,
          "reset_over",
          "This link no longer works.",
          "Ask for a new one from the sign-in page.",
          nil
        ]
      }.freeze
      KEPT = %w[success second_factor otp_setup otp_raw_secret codes].freeze

      module_function

      # @param seconds [Integer]
      def after(seconds)
        seconds < 90 ? "in #{seconds} seconds" : "in #{(seconds / 60.0).ceil} minutes"
      end

      # @param hash [Hash] Rodauth's reply
      # @param response [Roda::RodaResponse]
      # @return [String] JSON
      def body(hash, response, path)
        hash = hash.transform_keys(&:to_s)
        # the same answer whether the address is known or not, and also when one was mailed just now
        return JSON.generate(success: true).tap { response.status = 200 } if path.end_with?("/reset-password-request")
        return begun(hash, response) if hash["otp_secret"]
        return JSON.generate(hash.slice(*KEPT)) unless hash["error"]

        problem(hash, response, path)
      end

      # The first call of the second factor's set-up gives the secret for the app.
      def begun(hash, response)
        response.status = 200
        JSON.generate(secret: hash["otp_secret"], raw: hash["otp_raw_secret"])
      end

      def problem(hash, response, path)
        status, code, sentence, way_on, field = REASONS[hash["reason"].to_s] || other(hash, path)
        response["content-type"] = Problem::TYPE
        response.status = status
        JSON.generate(
          type: "about:blank",
          title: Problem::TITLES.fetch(status),
          status: status,
          code: code,
          detail: sentence,
          field: field,
          way_on: way_on
        )
      end

      def other(hash, path)
        wrong, message = hash["field-error"]
        if hash["reason"].to_s == "password_does_not_meet_requirements" || wrong == "new_password"
          return 422, "bad_password", message, "Take a few words that only you put together.", "new_password"
        end
        if path.end_with?("/reset-password") && wrong != "password"
          return 410, "reset_over", "This link no longer works.", "Ask for a new one from the sign-in page.", nil
        end
        if path.end_with?("/reset-password")
          return 422, "bad_password", message, "Take a few words that only you put together.", "password"
        end
        return 401, "wrong_sign_in", WRONG, "Try again.", "password" if path.end_with?("/login")

        [401, "wrong_password", "The password is not right.", "Type the one that you sign in with.", "password"]
      end
    end
  end
end
