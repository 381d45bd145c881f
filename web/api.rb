# frozen_string_literal: true

require "sinatra/base"

module AskFirst
  module Web
    # What all routes share: who asks, JSON in and out, errors as problem details. Routes parse and hand over, nothing else.
    class Api < Sinatra::Base
      set :environment, :production
      set :protection, false # our own: SameOrigin, SafeHeaders
      set :show_exceptions, false
      set :raise_errors, false
      set :dump_errors, false
      disable :static
      disable :logging

      register PostsRoutes, SignoffRoutes, DispatchRoutes, AgencyRoutes, ReviewRoutes, MediaRoutes, TrafficRoutes

      error Core::Error do |error|
        respond_with(*Problem.of(error))
      end

      error Sequel::PoolTimeout, Sequel::DatabaseDisconnectError, Sequel::DatabaseConnectionError do |_|
        respond_with(*Problem.reply(500, "database_away", "The database does not answer at the moment.",
          way_on: "Try again in a moment; what you typed is kept here."))
      end

      error do |error|
        SemanticLogger["Web"].error("unexpected", error)
        respond_with(*Problem.reply(500, "our_mistake", "Something went wrong on our side, and nothing was changed.",
          way_on: "Try again; what you typed is kept here."))
      end

      not_found do
        respond_with(*Problem.of(Core::NotFound.new))
      end

      helpers do
        def kit
          settings.kit
        end

        def respond_with(status, headers, body)
          halt status, headers, body
        end

        def person_id
          rodauth = env["rodauth"]
          unless rodauth&.logged_in? && rodauth.currently_active_session?
            respond_with(*Problem.reply(401, "signed_out", "You are not signed in.",
              way_on: "Sign in; what you typed is kept here."))
          end
          rodauth.session_value
        end

        # The member that the signed-in person is in the workspace of the address; else the one answer for all strangers.
        def member
          @member ||= begin
            id = params[:workspace]
            row = Core::Uuid::FORMAT.match?(id.to_s) ? Store::People::Members.find(kit.db, person_id, id, kit.now) : (person_id && nil)
            raise Core::NotFound, "This workspace" unless row

            App::Member.from_row(row, from: request.ip)
          end
        end

        # One or all of the person's workspaces on the agency side, as one scope for lists.
        def agency_scope
          rows = Store::People::Members.of_person(kit.db, person_id, kit.now).select { |row| row[:side] == "agency" }
          rows.select! { |row| row[:workspace_id] == params[:workspace] } if params[:workspace]
          raise Core::NotFound, "This workspace" if rows.empty?

          limits = rows.select { |row| row[:limited] }.to_h { |row| [row[:workspace_id], row[:channel_ids].to_a] }
          Store::Scope.new(kit.db, workspace_ids: rows.map { |row| row[:workspace_id] }, person_id: person_id, side: "agency", limits: limits)
        end

        def guest
          @guest ||= App::Signoff::ExchangePass.member(kit, request.cookies[ReviewRoutes::COOKIE], request.ip)
        end

        def act(klass, **input)
          klass.call(kit, member, **input)
        end

        def body_json
          @body_json ||= begin
            request.body.rewind
            text = request.body.read
            text.empty? ? {} : JSON.parse(text)
          end
        rescue JSON::ParserError
          respond_with(*Problem.reply(400, "bad_json", "The request is not JSON.", way_on: "Send it again."))
        end

        # @return [Integer] the version that the writer saw
        def seen_version
          text = env["HTTP_IF_MATCH"].to_s.delete('"')
          return Integer(text, 10) if text.match?(/\A\d{1,9}\z/)

          respond_with(*Problem.reply(428, "version_missing", "A change must say which version it saw (If-Match).", way_on: "Load the page again."))
        end

        def json(value, status = 200)
          content_type "application/json"
          halt status, JSON.generate(value)
        end

        def done
          halt 204
        end
      end
    end
  end
end
