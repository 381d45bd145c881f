# frozen_string_literal: true

module AskFirst
  module Web
    module People
      # A person's own profile, absences and sessions; pictures of people.
      module ProfileRoutes
        def self.registered(app)
          app.get("/api/profile") { json agency_act(App::People::Profile) }
          app.put("/api/profile") do
            body = body_json
            json(
              version:
                agency_act(
                  App::People::UpdateProfile,
                  version: seen_version,
                  name: body["name"],
                  zone: body["zone"],
                  hour12: body["hour12"],
                  date_language: body["date_language"],
                  working_days: body["working_days"],
                  notices: body["notices"],
                  quiet: body["quiet"]
                )
            )
          end
          pictures(app)
          absences(app)
          sessions(app)
        end

        def self.pictures(app)
          app.post("/api/profile/picture") do
            MediaRoutes.received(request.body) { |file| agency_act(App::People::Picture, io: file) }
            done
          end
          app.delete("/api/profile/picture") do
            agency_act(App::People::Picture, io: nil)
            done
          end
          app.get("/api/people/:person/picture") do
            raise Core::NotFound, "This picture" unless Core::Uuid::FORMAT.match?(params[:person])

            file = App::People::Picture.open(environment, agency_person, params[:person])
            headers MediaRoutes::OWN
            send_file file[:path], type: file[:mime]
          end
        end

        def self.absences(app)
          app.post("/api/profile/absences") do
            json(
              {
                id:
                  agency_act(
                    App::People::PlanAbsence,
                    from: body_json["from"],
                    until_date: body_json["until"],
                    stand_ins: body_json.fetch("stand_ins", [])
                  )
              },
              201
            )
          end
          app.delete("/api/profile/absences/:absence") do
            agency_act(App::People::RemoveAbsence, absence_id: params[:absence])
            done
          end
        end

        def self.sessions(app)
          app.get("/api/profile/sessions") do
            json(sessions: agency_act(App::People::Sessions, here: ProfileRoutes.here(env, session)))
          end
          app.delete("/api/profile/sessions/:session") do
            json(
              sessions:
                agency_act(App::People::Sessions, here: ProfileRoutes.here(env, session), end_id: params[:session])
            )
          end
        end

        # The key under which this very session lies in the list.
        def self.here(env, session)
          id = session["active_session_id"]
          id && env["rodauth"].compute_hmac(id)
        end
      end
    end
  end
end
