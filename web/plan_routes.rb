# frozen_string_literal: true

module AskFirst
  module Web
    # The plan: what goes out on which days.
    module PlanRoutes
      def self.registered(app)
        app.get("/api/w/:workspace/days") { json act(App::Plan::Days, from: params[:from], to: params[:to]) }
      end
    end
  end
end
