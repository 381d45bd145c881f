# frozen_string_literal: true

module AskFirst
  module Web
    # The plan as it is read: what goes out on which days, over one or all of the reader's clients.
    module PlanReadRoutes
      def self.registered(app)
        app.get("/api/plan/choices") { json App::Plan::Choices.call(agency_scope) }
        app.get("/api/w/:workspace/days") { json act(App::Plan::Days, from: params[:from], to: params[:to]) }
        periods(app)
        at_a_glance(app)
        app.get("/api/w/:workspace/plan/wall/:channel") { json act(App::Plan::Wall, channel_id: params[:channel]) }
        shared(app)
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
          json App::Plan::Period.month(kit, agency_scope, month: params[:month], **PlanReadRoutes.narrowed(params))
        end
        app.get("/api/plan/ahead") do
          ahead = { from: params[:from], days: params[:days].to_i }
          json App::Plan::Period.ahead(kit, agency_scope, **ahead, **PlanReadRoutes.narrowed(params))
        end
        app.get("/api/plan/week") do
          json App::Plan::Period.week(kit, agency_scope, day: params[:day], **PlanReadRoutes.narrowed(params))
        end
      end

      def self.at_a_glance(app)
        app.get("/api/plan/year") do
          json App::Plan::Year.call(kit, agency_scope, year: params[:year], **PlanReadRoutes.narrowed(params))
        end
        app.get("/api/plan/list") do
          days = { from: params[:from], to: params[:to] }
          json App::Plan::List.call(kit, agency_scope, **days, **PlanReadRoutes.narrowed(params))
        end
      end

      # What a client sees.
      def self.shared(app)
        app.get("/api/shared-plan/:secret.ics") do
          plan = App::Plan::SharedCalendar.call(kit, params[:secret])
          content_type CalendarText::TYPE
          CalendarText.of(plan, kit.now)
        end
        app.get("/api/shared-plan/:secret") { json App::Plan::PlanByLink.call(kit, params[:secret]) }
        app.get("/api/w/:workspace/client-plan") { json act(App::Plan::ClientPlan) }
        app.get("/api/w/:workspace/plan/links") { json({ links: act(App::Plan::LinksHere) }) }
      end

      def self.files(app)
        app.get("/api/plan/sheet.:format") do
          raise Core::NotFound, "This kind of file" unless %w[csv xlsx].include?(params[:format])

          days = { from: params[:from], to: params[:to] }
          rows = App::Plan::Sheet.call(kit, agency_scope, **days, **PlanReadRoutes.narrowed(params))
          attachment "plan-#{params[:from]}-#{params[:to]}.#{params[:format]}"
          PlanReadRoutes.file(self, params[:format], rows)
        end
      end

      def self.file(app, format, rows)
        columns = App::Plan::Sheet::COLUMNS
        app.content_type format == "csv" ? SheetFiles::CSV_TYPE : SheetFiles::XLSX_TYPE
        format == "csv" ? SheetFiles.csv(columns, rows) : SheetFiles.xlsx("Plan", columns, rows)
      end
    end
  end
end
