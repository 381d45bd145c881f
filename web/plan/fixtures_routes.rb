# frozen_string_literal: true

module AskFirst
  module Web
    module Plan
      # What comes back by a rule.
      module FixturesRoutes
        def self.registered(app)
          app.get("/api/w/:workspace/plan/fixtures") { json act(App::Plan::FixtureList) }
          app.post("/api/w/:workspace/plan/fixtures") do
            json({ id: act(App::Plan::SaveFixture, **FixturesRoutes.said(body_json)) }, 201)
          end
          app.put("/api/w/:workspace/plan/fixtures/:fixture") do
            named = { fixture_id: params[:fixture], version: seen_version }
            act(App::Plan::SaveFixture, **FixturesRoutes.said(body_json), **named)
            status 204
          end
          app.delete("/api/w/:workspace/plan/fixtures/:fixture") do
            act(App::Plan::RemoveFixture, fixture_id: params[:fixture])
            status 204
          end
          app.get("/api/w/:workspace/plan/rule") do
            json act(App::Plan::LookAtRule, rule: params[:rule], first: params[:first])
          end
          days(app)
        end

        # On one of its days.
        def self.days(app)
          app.post("/api/w/:workspace/plan/fixtures/:fixture/skip") do
            named = { day: body_json["day"], skipped: body_json["skipped"] }
            act(App::Plan::SkipFixture, fixture_id: params[:fixture], **named)
            status 204
          end
          app.post("/api/w/:workspace/plan/fixtures/:fixture/write") do
            json({ id: act(App::Plan::CreateFixturePost, fixture_id: params[:fixture], day: body_json["day"]) }, 201)
          end
        end

        def self.said(body)
          names = %w[word rule first last clock label_id owner_id days_before makes]
          { fixture: body.slice(*names).transform_keys(&:to_sym), channel_ids: body["channel_ids"] }
        end
      end
    end
  end
end
