# frozen_string_literal: true

module AskFirst
  module Web
    # Who I am and my Desk.
    module AgencyRoutes
      def self.registered(app)
        app.get("/api/me") { json App::Agency::Me.call(kit, person_id) }
        app.get("/api/desk") { json App::Agency::Desk.call(kit, agency_scope) }
      end
    end
  end
end
