# frozen_string_literal: true

module AskFirst
  module Web
    # The plan: what goes out on which days.
    module PlanRoutes
      def self.registered(app)
        marks(app)
        app.get("/api/w/:workspace/days") { json act(App::Plan::Days, from: params[:from], to: params[:to]) }
        periods(app)
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

      # What a view is narrowed to.
      def self.narrowed(params)
        given = Core::Plan::Filter::KINDS.to_h { |kind| [kind, params[kind.to_sym]] }
        { filter: Core::Plan::Filter.read(given), everything: params[:switched_off] != "hidden" }
      end

      def self.marks(app)
        app.put("/api/w/:workspace/plan/marks") do
          body = body_json
          json({ before: act(App::Plan::Pencil, put: body["put"] || [], erase: body["erase"] || []) })
        end
        app.post("/api/w/:workspace/plan/marks/write") do
          status 201
          json({ id: act(App::Plan::WriteMark, cells: [body_json]) })
        end
      end

      # The plan over one or all of the reader's clients.
      def self.periods(app)
        app.get("/api/plan/choices") { json App::Plan::Choices.call(agency_scope) }
        app.get("/api/plan/month") do
          json App::Plan::Period.month(kit, agency_scope, month: params[:month], **PlanRoutes.narrowed(params))
        end
        app.get("/api/plan/week") do
          json App::Plan::Period.week(kit, agency_scope, day: params[:day], **PlanRoutes.narrowed(params))
        end
      end
    end
  end
end
