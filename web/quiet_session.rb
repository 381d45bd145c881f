# frozen_string_literal: true

module AskFirst
  module Web
    # The cookie of a session is written when something in it changed, and with writes; not with every read. A read
    # that began before (a live poll, a page still being fetched) would bring back what the session held then:
    # somebody who just began to look as another, or stopped, would find it undone.
    class QuietSession
      SAFE = %w[GET HEAD].freeze

      def initialize(app)
        @app = app
      end

      def call(env)
        unless SAFE.include?(env["REQUEST_METHOD"]) || env["PATH_INFO"].start_with?("/message-bus")
          return @app.call(env)
        end

        session = env["rack.session"]
        before = session.to_hash.dup
        @app.call(env).tap { session.options[:skip] = true if session.to_hash == before }
      end
    end
  end
end
