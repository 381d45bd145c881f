# frozen_string_literal: true

require "argon2"
require "json"
require "openssl"

module AskFirst
  module Web
    # Slows down who tries to sign in with wrong passwords (Core::People::Brake). Known names, people of the client's
    # side and names that nobody has take the same time and get the same answers, also after many tries.
    class SignInBrake
      LOGIN = "/api/auth/login"
      COOKIE = "af_device"
      DEVICE_DAYS = 180

      # @param environment [App::Environment]
      # @param cost [Hash] of a password's digest
      def initialize(app, environment, cost)
        @app = app
        @environment = environment
        @cost = cost
        @nobody = Argon2::Password.new(**cost).create(SecureRandom.hex(16))
      end

      def call(env)
        return @app.call(env) unless env["PATH_INFO"] == LOGIN && env["REQUEST_METHOD"] == "POST"

        name = typed(env, "email") or return @app.call(env)
        tries = Tries.new(@environment, name, env)
        wait = tries.wait
        return slow_down(wait) if wait.positive?

        try_it(env, tries)
      end

      # The same for wrong passwords of somebody who is signed in already.
      # @return [Integer] seconds to wait
      def self.wait(environment, person_id, env)
        Tries.new(environment, "password of #{person_id}", env).wait
      end

      def self.wrong(environment, person_id, env)
        Tries.new(environment, "password of #{person_id}", env).add
      end

      # One name's wrong tries, as this request meets them.
      class Tries
        def initialize(environment, name, env)
          @environment = environment
          @name = name
          @digest = App::People::SignInName.digest(environment, name)
          @address = Rack::Request.new(env).ip.to_s
          @device = Device.of(environment, @digest, Rack::Request.new(env).cookies[COOKIE])
        end

        attr_reader :digest, :name

        # @param more [Array<Core::People::Brake::Try>] what is about to be added
        def wait(more = [])
          own, there = Store::People::SignInTries.of(@environment.db, @digest, @address, @environment.now)
          Core::People::Brake.wait(own + more, there + more, address: @address, device: @device, now: @environment.now)
        end

        # Whether with one more somebody has to wait, and was not told so today.
        def first_wait?
          wait([Core::People::Brake::Try.new(address: @address, device: @device, at: @environment.now)]).positive? &&
            !told?
        end

        def add(told: false)
          Store::People::SignInTries.add(
            @environment.db,
            @digest,
            address: @address,
            device: @device,
            now: @environment.now,
            told: told
          )
        end

        def told?
          Store::People::SignInTries.told?(@environment.db, @digest)
        end
      end

      # A device from which somebody signed in before: a cookie that only we can have made, for one name.
      module Device
        module_function

        # @return [String] the cookie's value
        def make(environment, digest)
          id = SecureRandom.urlsafe_base64(12)
          "#{id}.#{seal(environment, digest, id)}"
        end

        # @return [String, nil] its id, when it is that name's
        def of(environment, digest, cookie)
          id, sealed = cookie.to_s.split(".", 2)
          id if sealed && Rack::Utils.secure_compare(sealed, seal(environment, digest, id))
        end

        def seal(environment, digest, id)
          OpenSSL::HMAC.hexdigest("SHA256", environment.settings.secret, "device:#{digest.unpack1("H*")}:#{id}")
        end
      end

      private

      def try_it(env, tries)
        password = typed(env, "password").to_s
        person = Store::People::Accounts.with_password(@environment.db, tries.name)
        status, headers, body = @app.call(env)
        pretend(password) if person.nil?
        status == 401 ? wrong(tries, person) : known(headers, tries, status)
        [status, headers, body]
      end

      # As long as a password that is looked at.
      def pretend(password)
        Argon2::Password.verify_password(password, @nobody)
      end

      # The person is told once a day, when somebody has to wait for the first time.
      def wrong(tries, person)
        telling = tries.first_wait?
        tries.add(told: telling)
        SlowDownMail.enqueue(@environment, person) if telling && person
      end

      def known(headers, tries, status)
        return unless status == 200

        secure = @environment.settings.public_url.start_with?("https")
        Rack::Utils.set_cookie_header!(
          headers,
          COOKIE,
          value: Device.make(@environment, tries.digest),
          path: "/api/auth",
          httponly: true,
          same_site: :lax,
          secure: secure,
          max_age: DEVICE_DAYS * 86_400
        )
      end

      def slow_down(wait)
        status, headers, body =
          Problem.reply(
            429,
            "slow_down",
            "Too many wrong tries.",
            field: "password",
            way_on: "Try again #{SignInWords.after(wait)}, or choose a new password by mail."
          )
        [status, headers.merge("retry-after" => wait.to_s), body]
      end

      def typed(env, field)
        text = env["rack.input"]&.read.to_s
        env["rack.input"]&.rewind
        value = JSON.parse(text)
        value.is_a?(Hash) && value[field].is_a?(String) ? value[field] : nil
      rescue JSON::ParserError
        nil
      end
    end
  end
end
