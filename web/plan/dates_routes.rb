# frozen_string_literal: true

module AskFirst
  module Web
    module Plan
      # The days of a client: which are off, and its key dates.
      module DatesRoutes
        def self.registered(app)
          app.get("/api/w/:workspace/days") { json act(App::Plan::Days, from: params[:from], to: params[:to]) }
          app.post("/api/w/:workspace/plan/dates") do
            json({ id: act(App::Plan::SaveKeyDate, **DatesRoutes.said(body_json)) }, 201)
          end
          app.put("/api/w/:workspace/plan/dates/:date") do
            act(App::Plan::SaveKeyDate, **DatesRoutes.said(body_json), date_id: params[:date], version: seen_version)
            status 204
          end
          app.delete("/api/w/:workspace/plan/dates/:date") do
            act(App::Plan::RemoveKeyDate, date_id: params[:date])
            status 204
          end
        end

        def self.said(body)
          { last: nil, yearly: false }.merge(
            body.slice("kind", "name", "first", "last", "yearly").transform_keys(&:to_sym)
          )
        end
      end
    end
  end
end
