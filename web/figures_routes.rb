# frozen_string_literal: true

module AskFirst
  module Web
    # How sign-off goes: of one client, or of all of the reader's.
    module FiguresRoutes
      def self.registered(app)
        app.get("/api/figures") do
          json App::Figures::OfClients.call(environment, agency_scope, from: params[:from], to: params[:to])
        end
        app.get("/api/w/:workspace/figures") do
          asked = { from: params[:from], to: params[:to], theirs: params[:as] == "client" }
          json act(App::Figures::OfClient, **asked)
        end
        app.put("/api/w/:workspace/figures/shared") do
          act(App::Figures::ShareFigures, shared: body_json["shared"] == true)
          done
        end
      end
    end
  end
end
