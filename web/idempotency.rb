# frozen_string_literal: true

require "digest"

module AskFirst
  module Web
    # A repeated unsafe call with the same Idempotency-Key gets the first one's reply. Kept 24 hours, for one person or
    # visit, route and body.
    class Idempotency
      HOURS = 24

      def initialize(app, environment)
        @app = app
        @environment = environment
      end

      def call(env)
        key = env["HTTP_IDEMPOTENCY_KEY"]
        caller_id = key && who(env)
        return @app.call(env) unless caller_id && env["REQUEST_METHOD"] != "GET"
        unless key.length.between?(8, 200)
          return Problem.reply(422, "bad_key", "An idempotency key has 8 to 200 characters.", field: "Idempotency-Key")
        end

        remembered(env, Store::AnsweredCalls.new(@environment.db, caller_id, key))
      end

      private

      def remembered(env, calls)
        row = {
          route:
            "#{env["REQUEST_METHOD"]} " \
              "#{env["PATH_INFO"]}#{"?#{env["QUERY_STRING"]}" unless env["QUERY_STRING"].to_s.empty?}",
          body_digest: digest(env)
        }
        old = @environment.now - (HOURS * 3_600)
        return answer_of(calls.answer, row) unless calls.first?(row, now: @environment.now, keep_from: old)

        answer_now(env, calls)
      end

      # Whatever breaks on the way, the key is free again: nothing is known to have been done.
      def answer_now(env, calls)
        done = false
        status, headers, body = @app.call(env)
        text = body.each.to_a.join
        keep(calls, status, text)
        done = true
        [status, headers, [text]]
      ensure
        calls.free_unanswered unless done
      end

      # What failed on our side or was refused may be tried again with the same key.
      def keep(calls, status, text)
        status < 400 ? calls.keep(status, text) : calls.free
      end

      # @param kept [Hash, nil] row of Store::AnsweredCalls
      def answer_of(kept, row)
        if kept.nil? || kept[:status].nil?
          Problem.reply(409, "still_at_it", "The same request is still being worked on.", way_on: "Wait a moment.")
        elsif kept.slice(:route, :body_digest) == row
          [kept[:status], { "content-type" => "application/json", "cache-control" => "no-store" }, [kept[:body]]]
        else
          Problem.reply(
            422,
            "key_used",
            "This idempotency key was used for another request.",
            field: "Idempotency-Key",
            way_on: "Use a new key."
          )
        end
      end

      def who(env)
        rodauth = env["rodauth"]
        if rodauth&.logged_in? && rodauth.authenticated? && rodauth.currently_active_session?
          return rodauth.session_value
        end

        visit = Rack::Request.new(env).cookies[ReviewRoutes::COOKIE] or return
        App::Signoff::ExchangePass.visit(@environment, visit)&.fetch(:id)
      end

      def digest(env)
        input = env["rack.input"]
        text = input.read.to_s
        input.rewind
        Digest::SHA256.hexdigest(text)
      end
    end
  end
end
