# frozen_string_literal: true

module AskFirst
  module Web
    module Signoff
      # The links of guests, for whoever sent them.
      module PassesRoutes
        def self.registered(app)
          app.get("/api/w/:workspace/passes") { json act(App::Signoff::PassList) }
          app.post("/api/w/:workspace/passes/:pass/renew") do
            act(App::Signoff::RenewPass, pass_id: params[:pass])
            done
          end
          app.post("/api/w/:workspace/passes/:pass/revoke") do
            act(App::Signoff::RevokePass, pass_id: params[:pass])
            done
          end
        end
      end
    end
  end
end
