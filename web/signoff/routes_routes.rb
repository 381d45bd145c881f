# frozen_string_literal: true

module AskFirst
  module Web
    module Signoff
      # The routes of sign-off: what stands, what would be, and which of them a post or a campaign passes.
      module RoutesRoutes
        def self.registered(app)
          app.get("/api/w/:workspace/routes") { json act(App::Signoff::RouteList) }
          app.post("/api/w/:workspace/routes") do
            json(act(App::Signoff::SaveRoute, **RoutesRoutes.written(body_json)), 201)
          end
          app.put("/api/w/:workspace/routes/:route") do
            body = body_json
            more = { route_id: params[:route], seen: body["seen"], let_go: body["let_go"] || [] }
            json act(App::Signoff::SaveRoute, **RoutesRoutes.written(body), **more)
          end
          app.delete("/api/w/:workspace/routes/:route") do
            act(App::Signoff::ArchiveRoute, route_id: params[:route])
            done
          end
          app.post("/api/w/:workspace/routes/:route/look") do
            json(asked: act(App::Signoff::LookAtRoute, route_id: params[:route], steps: body_json["steps"]))
          end
          app.post("/api/w/:workspace/posts/:post/play-route") do
            body = body_json
            said = { post_id: params[:post], steps: body["steps"], releases_itself: body["releases_itself"] || false }
            json(ways: act(App::Signoff::PlayRoute, **said))
          end
          chosen(app)
        end

        def self.chosen(app)
          app.put("/api/w/:workspace/posts/:post/route") do
            said = { route_id: body_json["route_id"], reason: body_json["reason"] }
            act(App::Signoff::ChooseRoute, post_id: params[:post], **said)
            done
          end
          app.put("/api/w/:workspace/campaigns/:campaign/route") do
            said = { route_id: body_json["route_id"], reason: body_json["reason"] }
            act(App::Signoff::ChooseCampaignRoute, campaign_id: params[:campaign], **said)
            done
          end
        end

        def self.written(body)
          about = %w[name preset releases_itself locks_time].to_h { |key| [key.to_sym, body[key]] }.compact
          { steps: body["steps"], about: about }
        end
      end
    end
  end
end
