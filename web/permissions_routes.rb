# frozen_string_literal: true

module AskFirst
  module Web
    # The agency's roles.
    module PermissionsRoutes
      def self.registered(app)
        app.get("/api/agency/roles") { json agency_act(App::Permissions::Roles) }
        app.post("/api/agency/roles") do
          json(
            {
              id:
                agency_act(
                  App::Permissions::CreateRole,
                  name: body_json["name"],
                  side: body_json["side"],
                  abilities: body_json["abilities"]
                )
            },
            201
          )
        end
        app.put("/api/agency/roles/:role") do
          json(
            version:
              agency_act(
                App::Permissions::UpdateRole,
                role_id: params[:role],
                version: seen_version,
                name: body_json["name"],
                abilities: body_json["abilities"]
              )
          )
        end
        app.delete("/api/agency/roles/:role") do
          agency_act(App::Permissions::RemoveRole, role_id: params[:role])
          done
        end
      end
    end
  end
end
