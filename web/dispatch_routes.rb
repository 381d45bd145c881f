# frozen_string_literal: true

module AskFirst
  module Web
    # Releases, the dispatch log, and what a person decides about trouble.
    module DispatchRoutes
      def self.registered(app)
        app.get("/api/dispatch") { json App::Dispatch::DispatchLog.call(kit, agency_scope, before: params[:before]) }
        app.post("/api/w/:workspace/posts/:post/release") do
          act(App::Dispatch::Release, post_id: params[:post], adaptation_ids: body_json["adaptation_ids"])
          done
        end
        app.post("/api/w/:workspace/posts/:post/take-back") do
          act(App::Dispatch::TakeBack, post_id: params[:post], adaptation_ids: body_json["adaptation_ids"])
          done
        end
        app.get("/api/w/:workspace/showings/:showing") { json act(App::Dispatch::ShowingStory, showing_id: params[:showing]) }
        app.post("/api/w/:workspace/showings/:showing/settle") do
          act(App::Dispatch::Settle, showing_id: params[:showing], saw: body_json["saw"], address: body_json["address"])
          done
        end
      end
    end
  end
end
