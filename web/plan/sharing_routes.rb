# frozen_string_literal: true

module AskFirst
  module Web
    module Plan
      # What a client sees of the plan, and what a calendar reads of it.
      module SharingRoutes
        def self.registered(app)
          links(app)
          by_link(app)
          calendars(app)
          app.get("/api/w/:workspace/client-plan") { json act(App::Plan::ClientPlan) }
          app.put("/api/w/:workspace/posts/:post/kept-out") do
            act(App::Plan::KeepOut, post_id: params[:post], out: body_json["out"])
            status 204
          end
        end

        def self.links(app)
          app.get("/api/w/:workspace/plan/links") { json({ links: act(App::Plan::LinkList) }) }
          app.post("/api/w/:workspace/plan/links") do
            body = body_json
            said = { name: body["name"], weeks: body["weeks"], days: body["days"] }
            made = act(App::Plan::CreateLink, **said, marks: body["marks"] == true, money: body["money"] == true)
            json({ id: made[:id], address: "#{environment.settings.public_url}/review/plan##{made[:secret]}" }, 201)
          end
          app.delete("/api/w/:workspace/plan/links/:link") do
            act(App::Plan::RevokeLink, link_id: params[:link])
            status 204
          end
        end

        # Nobody is signed in there.
        def self.by_link(app)
          app.get("/api/shared-plan/:secret.ics") do
            plan = App::Plan::SharedCalendar.call(environment, params[:secret])
            content_type CalendarText::TYPE
            CalendarText.of(plan, environment.now)
          end
          app.get("/api/shared-plan/:secret") { json App::Plan::PlanByLink.call(environment, params[:secret]) }
        end

        # Private addresses for calendars; what stands under one needs no sign-in.
        def self.calendars(app)
          app.get("/api/plan/calendars") { json({ calendars: agency_act(App::Plan::CalendarList) }) }
          app.post("/api/plan/calendars") do
            body = body_json
            said = { name: body["name"], narrowing: body["narrowing"], workspace_id: body["workspace"] }
            made = agency_act(App::Plan::CreateCalendar, **said)
            json(
              { id: made[:id], address: "#{environment.settings.public_url}/api/calendar/#{made[:secret]}.ics" },
              201
            )
          end
          app.delete("/api/plan/calendars/:calendar") do
            agency_act(App::Plan::RevokeCalendar, calendar_id: params[:calendar])
            status 204
          end
          app.get("/api/calendar/:secret.ics") do
            plan = App::Plan::CalendarByAddress.call(environment, params[:secret])
            content_type CalendarText::TYPE
            CalendarText.of(plan, environment.now)
          end
        end
      end
    end
  end
end
