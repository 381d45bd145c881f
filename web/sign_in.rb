# frozen_string_literal: true

require "roda"
require "rodauth"
require "argon2"

module AskFirst
  module Web
    # Sign-in by Rodauth: password (argon2id), lock-out after repeated failures, a server-side list of sessions. A wrong
    # address and a wrong password get the same answer.
    module SignIn
      WRONG = "The address or the password is not right."

      module_function

      # @return [Class] Rack middleware
      def middleware(kit)
        database = kit.db
        secret = kit.settings.secret
        Class.new(Roda) do
          plugin :middleware
          plugin :json_parser, content_type_regexp: %r{\Aapplication/json\b}i
          plugin :rodauth, json: :only do
            db database
            enable :json, :login, :logout, :lockout, :active_sessions, :argon2
            prefix "/api/auth"
            domain URI.parse(kit.settings.public_url).host
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
            max_invalid_logins 8
            check_csrf? false
            require_bcrypt? false
            use_database_authentication_functions? false
            no_matching_login_message WRONG
            invalid_password_message WRONG
            login_error_flash WRONG
            password_hash_cost(kit.settings.test? ? { t_cost: 1, m_cost: 5 } : { t_cost: 2, m_cost: 16 })
            send_unlock_account_email { nil }
            account_lockouts_email_last_sent_column nil
            lockout_error_status 403
            json_response_body { |hash| SignIn.body(hash, response) }
          end

          route do |r|
            r.on("api/auth") { r.rodauth }
            env["rodauth"] = rodauth
          end
        end
      end

      # Rodauth's words as problem details. Which field was wrong would tell which accounts exist, so it is not said.
      def body(hash, response)
        return JSON.generate(hash.slice("success")) unless hash["error"]

        response["content-type"] = Problem::TYPE
        locked = response.status == 403
        status = locked ? 429 : 401
        response.status = status
        detail = locked ? "Too many wrong tries; this account is locked for a day." : WRONG
        JSON.generate(type: "about:blank", title: Problem::TITLES.fetch(status), status: status, code: locked ? "locked_out" : "wrong_sign_in", detail: detail,
          field: "password", way_on: locked ? "Ask the agency’s owner." : "Try again.")
      end
    end
  end
end
