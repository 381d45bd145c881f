# frozen_string_literal: true

module AskFirst
  module Web
    # The plan: what goes out on which days.
    module PlanRoutes
      def self.registered(app)
        app.get("/api/w/:workspace/days") { json act(App::Plan::Days, from: params[:from], to: params[:to]) }
        app.get("/api/plan/month") { json App::Plan::Month.call(kit, agency_scope, month: params[:month]) }
        app.post("/api/w/:workspace/posts/:post/move-cost") do
          json act(
                 App::Plan::MoveCost,
                 post_id: params[:post],
                 channel_ids: body_json["channels"],
                 time: body_json["time"]
               )
        end
        app.post("/api/w/:workspace/posts/:post/move") do
          act(
            App::Plan::Move,
            post_id: params[:post],
            channel_ids: body_json["channels"],
            from: body_json["from"],
            time: body_json["time"]
          )
          status 204
        end
      end
    end
  end
end
