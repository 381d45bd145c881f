# frozen_string_literal: true

require "sinatra/base"

module AskFirst
  module Web
    # What all routes share: who asks, JSON in and out, errors as problem details. Routes parse and hand over, nothing
    # else.
    class Api < Sinatra::Base
      set :environment, :production
      set :protection, false # our own: SameOrigin, SafeHeaders
      set :show_exceptions, false
      set :raise_errors, false
      set :dump_errors, false
      disable :static
      disable :logging

      register Posts::SheetRoutes,
               Posts::WritingRoutes,
               ChecksRoutes,
               Signoff::AsksRoutes,
               Signoff::AnswersRoutes,
               Signoff::PassesRoutes,
               Signoff::RulingsRoutes,
               Signoff::RoutesRoutes,
               Signoff::SheetsRoutes,
               TalkRoutes,
               FiguresRoutes,
               DispatchRoutes,
               AgencyRoutes,
               ReviewRoutes,
               MediaRoutes,
               IdeasRoutes,
               FeedsRoutes,
               PartnersRoutes,
               TrafficRoutes,
               People::MembersRoutes,
               People::ProfileRoutes,
               ClientsRoutes,
               ChannelsRoutes,
               PermissionsRoutes,
               Plan::CalendarRoutes,
               Plan::PaperRoutes,
               Plan::MovingRoutes,
               Plan::BulkRoutes,
               Plan::MarksRoutes,
               Plan::FixturesRoutes,
               Plan::DatesRoutes,
               Plan::SharingRoutes,
               CampaignsRoutes

      before { refuse_while_looking }

      error Core::Error do |error|
        respond_with(*Problem.of(error))
      end

      error(*Store::Failures::BUSY) do |_|
        respond_with(
          *Problem.reply(
            500,
            "database_away",
            "The database does not answer at the moment.",
            way_on: "Try again in a moment; what you typed is kept here."
          )
        )
      end

      error do |error|
        SemanticLogger["Web"].error("unexpected", error)
        respond_with(
          *Problem.reply(
            500,
            "our_mistake",
            "Something went wrong on our side, and nothing was changed.",
            way_on: "Try again; what you typed is kept here."
          )
        )
      end

      not_found { respond_with(*Problem.of(Core::NotFound.new)) }

      helpers do
        def environment
          settings.app_environment
        end

        def respond_with(status, headers, body)
          halt status, headers, body
        end

        def person_id
          @person_id ||=
            begin
              rodauth = env["rodauth"]
              unless rodauth&.logged_in? && rodauth.currently_active_session?
                respond_with(
                  *Problem.reply(
                    401,
                    "signed_out",
                    "You are not signed in.",
                    way_on: "Sign in; what you typed is kept here."
                  )
                )
              end
              unless rodauth.authenticated?
                respond_with(
                  *Problem.reply(
                    401,
                    "second_factor",
                    "Your second factor is needed too.",
                    field: "otp",
                    way_on: "Give the code that your app shows."
                  )
                )
              end
              require_second_factor!(rodauth)
              require_same_person!(rodauth.session_value)
              rodauth.session_value
            end
        end

        # A page that is still open says whose it is: what one person typed is not taken as another one's, who has
        # signed in since in the same browser.
        def require_same_person!(id)
          said = request.env["HTTP_AS_PERSON"]
          return if said.nil? || said == id || request.get? || request.head?

          respond_with(
            *Problem.reply(
              409,
              "somebody_else",
              "Somebody else is signed in in this browser now, so nothing was done.",
              way_on: "Sign in as yourself again; what you typed is kept for you."
            )
          )
        end

        # Where the agency requires a second factor, nothing but setting it up is open without one.
        def require_second_factor!(rodauth)
          return if rodauth.two_factor_authentication_setup? || request.path_info.match?(%r{\A/api/(?:me|profile)\z})
          return unless settings.policy.for(rodauth.session_value).second_factor

          respond_with(
            *Problem.reply(
              403,
              "second_factor_required",
              "The agency requires a second factor, and you have none yet.",
              way_on: "Set it up in your profile; it takes a minute."
            )
          )
        end

        # The member that the signed-in person is in the workspace of the address; else the one answer for all
        # strangers.
        def member
          @member ||=
            begin
              looking_as # one who may not look any more is told so once, and is themselves again from then on
              reader.member(params[:workspace])
            end
        end

        # Who is signed in, and as whom they read.
        def reader
          @reader ||=
            App::Reader.new(
              environment,
              person_id,
              look_as: session["look_as"] && App::Reader::LookAs.new(**session["look_as"].transform_keys(&:to_sym)),
              from: request.ip
            )
        end

        # The member that an owner looks as; when they may not any more, the session forgets it.
        # @return [Hash, nil] row of Store::People::Members
        def looking_as
          reader.looked_as.tap { |found| session.delete("look_as") unless found } if session["look_as"]
        end

        # The client's person whom an owner looks as.
        def looked_at
          person_id
          raise Core::NotFound, "This" unless looking_as && looking_as[:side] == "client"

          App::Member.from_row(looking_as, looking: true)
        end

        def looked_guest
          looked_at
          App::Signoff::AsksOf.guest(environment, looking_as, params[:ask])
        end

        # The reader of lists over one or all of the person's workspaces on the agency side.
        def agency_reader
          looking_as
          reader
        end

        # These workspaces as one scope.
        def agency_scope = agency_reader.scope(params[:workspace])

        # The signed-in person for what concerns the agency as a whole, or themselves.
        def agency_person
          @agency_person ||= App::AgencyPerson.load(environment, person_id, from: request.ip)
        end

        def agency_act(klass, **input)
          klass.call(environment, agency_person, **input)
        end

        # While somebody looks as another, nothing is changed, whatever the address.
        def refuse_while_looking
          return if request.get? || request.head? || session["look_as"].nil? || request.path_info == "/api/look-as"

          respond_with(
            *Problem.reply(
              403,
              "looking",
              "You are only looking as somebody else; nothing can be changed like this.",
              way_on: "Stop looking first."
            )
          )
        end

        def guest
          @guest ||= App::Signoff::ExchangePass.member(environment, request.cookies[ReviewRoutes::COOKIE], request.ip)
        end

        def act(klass, **input)
          klass.call(environment, member, **input)
        end

        def body_json
          @body_json ||=
            begin
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

          respond_with(
            *Problem.reply(
              428,
              "version_missing",
              "A change must say which version it saw (If-Match).",
              way_on: "Load the page again."
            )
          )
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
