# frozen_string_literal: true

module AskFirst
  module Web
    module Plan
      # The plan as it is read, over one or all of the reader's clients; views of it by a name.
      module CalendarRoutes
        def self.registered(app)
          app.get("/api/plan/choices") { json App::Plan::Choices.call(agency_scope) }
          periods(app)
          at_a_glance(app)
          app.get("/api/w/:workspace/plan/wall/:channel") { json act(App::Plan::Wall, channel_id: params[:channel]) }
          app.put("/api/w/:workspace/plan/notes") do
            said = %w[month note version].to_h { |key| [key.to_sym, body_json[key]] }
            json({ version: act(App::Plan::NoteMonth, **said) })
          end
          own_views(app)
          shared_views(app)
          files(app)
        end

        # What a view is narrowed to.
        def self.narrowed(params)
          given = Core::Plan::Filter::KINDS.to_h { |kind| [kind, params[kind.to_sym]] }
          { filter: Core::Plan::Filter.read(given), everything: params[:switched_off] != "hidden" }
        end

        # Days with what stands on each.
        def self.periods(app)
          app.get("/api/plan/month") do
            json App::Plan::Period.month(
                   environment,
                   agency_scope,
                   month: params[:month],
                   **CalendarRoutes.narrowed(params)
                 )
          end
          app.get("/api/plan/ahead") do
            ahead = { from: params[:from], days: params[:days].to_i }
            json App::Plan::Period.ahead(environment, agency_scope, **ahead, **CalendarRoutes.narrowed(params))
          end
          app.get("/api/plan/week") do
            json App::Plan::Period.week(environment, agency_scope, day: params[:day], **CalendarRoutes.narrowed(params))
          end
        end

        def self.at_a_glance(app)
          app.get("/api/plan/year") do
            json App::Plan::Year.call(environment, agency_scope, year: params[:year], **CalendarRoutes.narrowed(params))
          end
          app.get("/api/plan/list") do
            days = { from: params[:from], to: params[:to] }
            json App::Plan::List.call(environment, agency_scope, **days, **CalendarRoutes.narrowed(params))
          end
        end

        def self.own_views(app)
          app.get("/api/plan/views") do
            json({ views: App::Plan::ViewList.call(agency_scope, over_all: params[:workspace].nil?) })
          end
          app.post("/api/plan/views") do
            body = body_json
            said = { **CalendarRoutes.view(body), workspace_id: body["workspace"] }
            json({ id: agency_act(App::Plan::SaveView, **said) }, 201)
          end
          app.delete("/api/plan/views/:view") do
            agency_act(App::Plan::RemoveView, view_id: params[:view])
            status 204
          end
        end

        # Of a client, for everybody who works there.
        def self.shared_views(app)
          app.post("/api/w/:workspace/plan/views") do
            json({ id: act(App::Plan::ShareView, **CalendarRoutes.view(body_json)) }, 201)
          end
          app.delete("/api/w/:workspace/plan/views/:view") do
            act(App::Plan::UnshareView, view_id: params[:view])
            status 204
          end
        end

        def self.view(body) = { name: body["name"], look: body["look"], narrowing: body["narrowing"] }

        def self.files(app)
          app.get("/api/plan/sheet.:format") do
            raise Core::NotFound, "This kind of file" unless %w[csv xlsx].include?(params[:format])

            days = { from: params[:from], to: params[:to] }
            rows = App::Plan::Sheet.call(environment, agency_scope, **days, **CalendarRoutes.narrowed(params))
            attachment "plan-#{params[:from]}-#{params[:to]}.#{params[:format]}"
            CalendarRoutes.file(self, params[:format], rows)
          end
        end

        def self.file(app, format, rows)
          columns = App::Plan::Sheet::COLUMNS
          app.content_type format == "csv" ? SheetFiles::CSV_TYPE : SheetFiles::XLSX_TYPE
          if format == "csv"
            SheetFiles.csv(columns, rows)
          else
            SheetFiles.xlsx("Plan", columns, rows, App::Plan::Sheet::KINDS)
          end
        end
      end
    end
  end
end
