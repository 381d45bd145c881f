# frozen_string_literal: true

require "digest"

module AskFirst
  module Web
    # A repeated unsafe call with the same Idempotency-Key gets the first one's reply. Kept 24 hours, for one person or
    # visit, route and body.
    class Idempotency
      HOURS = 24

      def initialize(app, kit)
        @app = app
        @kit = kit
      end

      def call(env)
        key = env["HTTP_IDEMPOTENCY_KEY"]
        caller_id = key && who(env)
        return @app.call(env) unless caller_id && env["REQUEST_METHOD"] != "GET"
        unless key.length.between?(8, 200)
          return Problem.reply(422, "bad_key", "An idempotency key has 8 to 200 characters.", field: "Idempotency-Key")
        end

        remembered(env, caller_id, key)
      end

      private

      def remembered(env, caller_id, key)
        row = {
          route:
            "#{env["REQUEST_METHOD"]} " \
              "#{env["PATH_INFO"]}#{"?#{env["QUERY_STRING"]}" unless env["QUERY_STRING"].to_s.empty?}",
          body_digest: digest(env)
        }
        return answer_of(caller_id, key, row) unless first?(caller_id, key, row)

        answer_now(env, caller_id, key)
      end

      # Whatever breaks on the way, the key is free again: nothing is known to have been done.
      def answer_now(env, caller_id, key)
        done = false
        status, headers, body = @app.call(env)
        text = body.each.to_a.join
        keep(caller_id, key, status, text)
        done = true
        [status, headers, [text]]
      ensure
        table.where(caller: caller_id, key: key, status: nil).delete unless done
      end

      def first?(caller_id, key, row)
        old = @kit.now - (HOURS * 3_600)
        table.where(caller: caller_id).where { made_at < old }.delete
        table.insert_conflict.returning(:key).insert(row.merge(caller: caller_id, key: key, made_at: @kit.now)).any?
      end

      # What failed on our side or was refused may be tried again with the same key.
      def keep(caller_id, key, status, text)
        mine = table.where(caller: caller_id, key: key)
        status < 400 ? mine.update(status: status, body: text) : mine.delete
      end

      def answer_of(caller_id, key, row)
        kept = table.where(caller: caller_id, key: key).first
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
        App::Signoff::ExchangePass.visit(@kit, visit)&.fetch(:id)
      end

      def digest(env)
        input = env["rack.input"]
        text = input.read.to_s
        input.rewind
        Digest::SHA256.hexdigest(text)
      end

      def table
        @kit.db[:idempotency_keys]
      end
    end
  end
end
