# frozen_string_literal: true

require "roda"
require "rodauth"
require "argon2"
require "cgi"
require "mail"

module AskFirst
  module Web
    # Sign-in by Rodauth: password (argon2id), second factor (TOTP) with recovery codes, a server-side list of
    # sessions, change and reset of the password. A wrong address and a wrong password get the same answer; who tries
    # again and again is slowed down (SignInBrake).
    module SignIn
      module_function

      # @return [Hash] what a password's digest costs
      def cost(environment)
        environment.settings.test? ? { t_cost: 1, m_cost: 5 } : { t_cost: 2, m_cost: 16 }
      end

      # @param policy [SessionPolicy]
      # @return [Class] Rack middleware
      def middleware(environment, policy)
        database = environment.db
        secret = environment.settings.secret
        Class.new(Roda) do
          plugin :middleware
          plugin :json_parser, content_type_regexp: %r{\Aapplication/json\b}i
          plugin :rodauth, json: :only do
            db database
            enable :json,
                   :login,
                   :logout,
                   :active_sessions,
                   :argon2,
                   :otp,
                   :recovery_codes,
                   :change_password,
                   :reset_password
            prefix "/api/auth"
            domain URI.parse(environment.settings.public_url).host
            already_logged_in { nil } # signing in anew changes who it is
            accounts_table :people
            login_column :email
            login_param "email"
            account_password_hash_column nil
            password_hash_table :account_password_hashes
            skip_status_checks? true
            hmac_secret secret
            convert_token_id_to_integer? false
            set_deadline_values? true
            check_csrf? false
            require_bcrypt? false
            use_database_authentication_functions? false
            require_password_confirmation? false
            no_matching_login_message SignInWords::WRONG
            invalid_password_message SignInWords::WRONG
            login_error_flash SignInWords::WRONG
            password_hash_cost SignIn.cost(environment)

            session_inactivity_deadline nil
            session_lifetime_deadline { policy.for(session_value).seconds }
            active_sessions_insert_hash do
              super().merge(device: request.user_agent.to_s[0, 300], from_address: request.ip.to_s)
            end

            otp_issuer "Ask First"
            auto_add_recovery_codes? true
            auto_remove_recovery_codes? true
            after_login { json_response["second_factor"] = uses_two_factor_authentication? }

            password_meets_requirements? do |password|
              @password_problem = Core::People::Password.problem(password, email: account[:email], name: account[:name])
              @password_problem.nil?
            end
            password_does_not_meet_requirements_message { @password_problem }
            new_password_param "new_password"
            new_password_label "new password"

            # whoever answers by link has no password to reset
            before_reset_password_request do
              if database[:account_password_hashes].where(id: account_id).empty?
                throw_error_reason(:no_matching_login, 401, login_param, "")
              end
            end
            send_reset_password_email do
              ResetMail.enqueue(
                environment,
                account,
                "#{environment.settings.public_url}/reset-password#/#{reset_password_email_link[/key=(.+)\z/, 1]}"
              )
            end
            after_reset_password do
              remove_all_active_sessions
              Store::People::SignInTries.forget(database, App::People::SignInName.digest(environment, account[:email]))
            end
            after_change_password { remove_all_active_sessions_except_current }

            set_error_reason { |reason| json_response["reason"] = reason }
            json_response_body { |hash| SignInWords.body(hash, response, request.path) }
            auth_class_eval { include(SealedCodes.new(environment.secrets), SlowPasswords.new(environment)) }
          end

          route do |r|
            r.on("api/auth") { r.rodauth }
            env["rodauth"] = rodauth
          end
        end
      end
    end
  end
end
