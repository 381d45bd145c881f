# frozen_string_literal: true

require "committee"
require "rack"
require "rack/session"
require "openssl"
require "semantic_logger"

module AskFirst
  module Web
    # Puts the Rack application together, from the outside in.
    module Server
      module_function

      # @param environment [App::Environment] with the web role's database
      def build(environment, interface: File.join(ROOT, "ui/dist"))
        api = Class.new(Api) { set :app_environment, environment }
        live(environment)
        policy = SessionPolicy.new(environment)
        api.set :policy, policy
        Rack::Builder
          .new do
            use SafeHeaders, secure: environment.settings.public_url.start_with?("https")
            use SameOrigin, environment.settings.public_url
            use BodyGuard
            use Rack::Deflater, include: %w[application/json], if: ->(env, *) { Server.for_phone?(env) }
            use Rack::Session::Cookie,
                key: "af_session",
                secrets: [Server.session_secret(environment)],
                httponly: true,
                same_site: :lax,
                secure: environment.settings.public_url.start_with?("https"),
                expire_after: 14 * 86_400
            use QuietSession
            use SignInBrake, environment, SignIn.cost(environment)
            use SignIn.middleware(environment, policy)
            use LiveGate, environment
            use MessageBus::Rack::Middleware, message_bus: environment.bus.bus
            map("/api") do
              run(
                Rack::Builder.new do
                  use Unmount
                  use Idempotency, environment
                  use Committee::Middleware::RequestValidation, Contract.options
                  run api
                end
              )
            end
            map("/health") do
              run ->(_) { [200, { "content-type" => "text/plain" }, [Store::Database.well(environment.db)]] }
            end
            run Interface.new(interface)
          end
          .to_app
      end

      # What a client's phone is sent over a poor line. It repeats nothing that was sent to us, so that its length tells
      # nothing (BREACH).
      def for_phone?(env) = env["PATH_INFO"].start_with?("/api/review/")

      def session_secret(environment)
        OpenSSL::KDF.hkdf(
          environment.settings.secret,
          salt: "ask-first",
          info: "sessions",
          length: 64,
          hash: "SHA512"
        ).unpack1("H*")
      end

      # Live updates are told to persons; nobody else hears anything.
      def live(environment)
        environment.bus.bus.user_id_lookup { |env| LiveGate.person(env) }
      end

      # Puts the whole path back that Rack's map took apart, since routes and contract name it whole.
      class Unmount
        def initialize(app)
          @app = app
        end

        def call(env)
          @app.call(env.merge("PATH_INFO" => "#{env["SCRIPT_NAME"]}#{env["PATH_INFO"]}", "SCRIPT_NAME" => ""))
        end
      end
    end
  end
end
