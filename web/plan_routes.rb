# frozen_string_literal: true

module AskFirst
  module Web
    # What is put into the plan and moved in it.
    module PlanRoutes
      def self.registered(app)
        marks(app)
        dates(app)
        sharing(app)
        fixtures(app)
        fixture_days(app)
        app.post("/api/w/:workspace/plan/carry-over") do
          body = body_json
          json act(App::Plan::CarryOver, year: body["year"], how: body["how"], dry: body["dry"] == true)
        end
        views(app)
        feeds(app)
        rechannelling(app)
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

      # On another channel instead.
      def self.rechannelling(app)
        said = ->(body) { %i[from to seen time].to_h { |key| [key, body[key.to_s]] } }
        app.post("/api/w/:workspace/posts/:post/channel-cost") do
          json act(App::Plan::ChannelCost, post_id: params[:post], **said.call(body_json))
        end
        app.post("/api/w/:workspace/posts/:post/change-channel") do
          act(App::Plan::ChangeChannel, post_id: params[:post], **said.call(body_json))
          status 204
        end
      end

      def self.marks(app)
        app.put("/api/w/:workspace/plan/marks") do
          body = body_json
          json({ before: act(App::Plan::Pencil, put: body["put"] || [], erase: body["erase"] || []) })
        end
        app.post("/api/w/:workspace/plan/drafts") do
          json({ ids: act(App::Plan::WriteCells, cells: body_json["cells"]) }, 201)
        end
        app.post("/api/w/:workspace/plan/marks/write") do
          json({ id: act(App::Plan::WriteMark, cells: [body_json]) }, 201)
        end
      end

      # What a client sees of it.
      def self.sharing(app)
        app.post("/api/w/:workspace/plan/links") do
          body = body_json
          said = { name: body["name"], weeks: body["weeks"], days: body["days"] }
          made = act(App::Plan::MakeLink, **said, marks: body["marks"] == true, money: body["money"] == true)
          json({ id: made[:id], address: "#{kit.settings.public_url}/review/plan##{made[:secret]}" }, 201)
        end
        app.delete("/api/w/:workspace/plan/links/:link") do
          act(App::Plan::RevokeLink, link_id: params[:link])
          status 204
        end
        app.put("/api/w/:workspace/posts/:post/kept-out") do
          act(App::Plan::KeepOut, post_id: params[:post], out: body_json["out"])
          status 204
        end
      end

      # What comes back by a rule.
      def self.fixtures(app)
        app.get("/api/w/:workspace/plan/fixtures") { json act(App::Plan::FixturesHere) }
        app.post("/api/w/:workspace/plan/fixtures") do
          json({ id: act(App::Plan::SaveFixture, **PlanRoutes.fixture(body_json)) }, 201)
        end
        app.put("/api/w/:workspace/plan/fixtures/:fixture") do
          named = { fixture_id: params[:fixture], version: body_json["version"] || 0 }
          act(App::Plan::SaveFixture, **PlanRoutes.fixture(body_json), **named)
          status 204
        end
        app.delete("/api/w/:workspace/plan/fixtures/:fixture") do
          act(App::Plan::DropFixture, fixture_id: params[:fixture])
          status 204
        end
      end

      # On one of its days.
      def self.fixture_days(app)
        app.post("/api/w/:workspace/plan/fixtures/:fixture/skip") do
          named = { day: body_json["day"], skipped: body_json["skipped"] }
          act(App::Plan::SkipFixture, fixture_id: params[:fixture], **named)
          status 204
        end
        app.post("/api/w/:workspace/plan/fixtures/:fixture/write") do
          json({ id: act(App::Plan::WriteFixture, fixture_id: params[:fixture], day: body_json["day"]) }, 201)
        end
        app.get("/api/w/:workspace/plan/rule") do
          json act(App::Plan::LookAtRule, rule: params[:rule], first: params[:first])
        end
      end

      def self.fixture(body)
        names = %w[word rule first last clock label_id owner_id days_before makes]
        { fixture: body.slice(*names).transform_keys(&:to_sym), channel_ids: body["channel_ids"] }
      end

      def self.dates(app)
        app.post("/api/w/:workspace/plan/dates") do
          json({ id: act(App::Plan::KeepKeyDate, **PlanRoutes.key_date(body_json)) }, 201)
        end
        app.put("/api/w/:workspace/plan/dates/:date") do
          act(App::Plan::KeepKeyDate, **PlanRoutes.key_date(body_json), date_id: params[:date])
          status 204
        end
        app.delete("/api/w/:workspace/plan/dates/:date") do
          act(App::Plan::DropKeyDate, date_id: params[:date])
          status 204
        end
        app.put("/api/w/:workspace/plan/notes") do
          body = body_json
          json(
            { version: act(App::Plan::NoteMonth, month: body["month"], note: body["note"], version: body["version"]) }
          )
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

      def self.key_date(body)
        { last: nil, yearly: false }.merge(
          body.slice("kind", "name", "first", "last", "yearly").transform_keys(&:to_sym)
        )
      end

      def self.view(body)
        { name: body["name"], look: body["look"], narrowing: body["narrowing"] }
      end
    end
  end
end
