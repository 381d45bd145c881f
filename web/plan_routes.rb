# frozen_string_literal: true

module AskFirst
  module Web
    # The plan: what goes out on which days.
    module PlanRoutes
      def self.registered(app)
        marks(app)
        several(app)
        views(app)
        feeds(app)
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
          json({ id: act(App::Plan::WriteMark, cells: [body_json]) }, 201)
        end
      end

      def self.several(app)
        app.post("/api/w/:workspace/plan/several") do
          body = body_json
          value = body["kind"] == "move" ? body["days"] : body["name"]
          said = { kind: body["kind"], post_ids: body["posts"], value: value, dry: body["dry"] == true }
          json({ posts: act(App::Plan::Several, **said) })
        end
      end

      # Views by a name: of the reader's own, and of a client.
      def self.views(app)
        app.get("/api/plan/views") do
          json({ views: App::Plan::Views.call(agency_scope, over_all: params[:workspace].nil?) })
        end
        app.post("/api/plan/views") do
          body = body_json
          json({ id: agency_act(App::Plan::SaveView, **PlanRoutes.view(body), workspace_id: body["workspace"]) }, 201)
        end
        app.delete("/api/plan/views/:view") do
          agency_act(App::Plan::DropView, view_id: params[:view])
          status 204
        end
        app.post("/api/w/:workspace/plan/views") do
          json({ id: act(App::Plan::ShareView, **PlanRoutes.view(body_json)) }, 201)
        end
        app.delete("/api/w/:workspace/plan/views/:view") do
          act(App::Plan::UnshareView, view_id: params[:view])
          status 204
        end
      end

      # Private addresses for calendars; what stands under one needs no sign-in.
      def self.feeds(app)
        app.get("/api/plan/feeds") { json({ feeds: agency_act(App::Plan::Feeds) }) }
        app.post("/api/plan/feeds") do
          body = body_json
          made =
            agency_act(
              App::Plan::MakeFeed,
              name: body["name"],
              narrowing: body["narrowing"],
              workspace_id: body["workspace"]
            )
          address = "#{kit.settings.public_url}/api/calendar/#{made[:secret]}.ics"
          json({ id: made[:id], address: address }, 201)
        end
        app.delete("/api/plan/feeds/:feed") do
          agency_act(App::Plan::RevokeFeed, feed_id: params[:feed])
          status 204
        end
        app.get("/api/calendar/:secret.ics") do
          plan = App::Plan::Calendar.call(kit, params[:secret])
          content_type CalendarText::TYPE
          CalendarText.of(plan, kit.now)
        end
      end

      def self.file(app, format, rows)
        columns = App::Plan::Sheet::COLUMNS
        app.content_type format == "csv" ? SheetFiles::CSV_TYPE : SheetFiles::XLSX_TYPE
        format == "csv" ? SheetFiles.csv(columns, rows) : SheetFiles.xlsx("Plan", columns, rows)
      end

      def self.view(body)
        { name: body["name"], look: body["look"], narrowing: body["narrowing"] }
      end

      # The plan over one or all of the reader's clients.
      def self.periods(app)
        app.get("/api/plan/choices") { json App::Plan::Choices.call(agency_scope) }
        app.get("/api/plan/sheet.:format") do
          raise Core::NotFound, "This kind of file" unless %w[csv xlsx].include?(params[:format])

          days = { from: params[:from], to: params[:to] }
          rows = App::Plan::Sheet.call(kit, agency_scope, **days, **PlanRoutes.narrowed(params))
          attachment "plan-#{params[:from]}-#{params[:to]}.#{params[:format]}"
          PlanRoutes.file(self, params[:format], rows)
        end
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
