# frozen_string_literal: true

module AskFirst
  module Web
    module Plan
      # The plan as PDF.
      module PaperRoutes
        MONTH = "%B %Y"

        def self.registered(app)
          app.get("/api/plan/month.pdf") do
            period =
              App::Plan::Period.month(
                environment,
                agency_scope,
                month: params[:month],
                **CalendarRoutes.narrowed(params)
              )
            title = Date.iso8601("#{params[:month]}-01").strftime(MONTH)
            PaperRoutes.send_paper(self, "plan-#{params[:month]}", title, period[:lines]) do |paper|
              paper.grid(period, week: false)
            end
          end
          app.get("/api/plan/week.pdf") do
            period =
              App::Plan::Period.week(environment, agency_scope, day: params[:day], **CalendarRoutes.narrowed(params))
            title = "Week #{period[:weeks].first[:number]}, #{PaperRoutes.days(period)}"
            PaperRoutes.send_paper(self, "plan-#{params[:day]}", title, period[:lines]) do |paper|
              paper.grid(period, week: true)
            end
          end
          list(app)
        end

        def self.list(app)
          app.get("/api/plan/list.pdf") do
            days = { from: params[:from], to: params[:to] }
            rows = App::Plan::List.call(environment, agency_scope, **days, **CalendarRoutes.narrowed(params))[:rows]
            title = PaperRoutes.span(params[:from], params[:to])
            PaperRoutes.send_paper(self, "plan-#{params[:from]}-#{params[:to]}", title, rows) do |paper|
              paper.list(rows)
            end
          end
        end

        def self.days(period)
          all = period[:weeks].flat_map { |week| week[:days] }.map { |day| day[:date] }
          span(all.first, all.last)
        end

        def self.span(first, last)
          [first, last].map { |day| Date.iso8601(day).strftime("%-d %B %Y") }.join(" to ")
        end

        # @yieldparam paper [Paper::Plan]
        # @yieldreturn [String] bytes
        def self.send_paper(app, name, title, lines)
          facts = App::Plan::Paper.facts(app.environment, app.agency_scope, lines)
          own = facts[:clients].one? ? facts[:clients].values.first : "All my clients"
          narrowed = app.params[:shows].to_s[0, 200]
          said = { title: "#{own}, #{title}", narrowed: narrowed, marks: app.params[:marks] == "yes" }
          app.content_type Paper::Sheet::TYPE
          app.attachment "#{name}.pdf"
          yield Paper::Plan.new(facts.merge(said))
        end
      end
    end
  end
end
