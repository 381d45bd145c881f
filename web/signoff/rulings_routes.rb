# frozen_string_literal: true

module AskFirst
  module Web
    module Signoff
      # What is decided beside the answers, and holds.
      module RulingsRoutes
        def self.registered(app)
          steps(app)
          for_others(app)
          holds(app)
        end

        def self.steps(app)
          app.post("/api/w/:workspace/posts/:post/skip") do
            act(App::Signoff::SkipStep, **RulingsRoutes.said(params[:post], body_json))
            done
          end
          app.post("/api/w/:workspace/posts/:post/drop-step") do
            act(App::Signoff::DropStep, **RulingsRoutes.said(params[:post], body_json))
            done
          end
          app.post("/api/w/:workspace/posts/:post/places") do
            said = RulingsRoutes.said(params[:post], body_json)
            act(App::Signoff::RulePlace, **said, kind: body_json["kind"], person_id: body_json["person_id"])
            done
          end
        end

        # What becomes of the word of somebody: said by another's hand, or set aside.
        def self.for_others(app)
          app.post("/api/w/:workspace/posts/:post/set-aside") do
            said = RulingsRoutes.said(params[:post], body_json)
            act(App::Signoff::SetAside, **said, person_id: body_json["person_id"])
            done
          end
          app.post("/api/w/:workspace/posts/:post/clear-for") do
            said = RulingsRoutes.said(params[:post], body_json)
            act(App::Signoff::ClearFor, **said, person_id: body_json["person_id"], file_id: body_json["file_id"])
            done
          end
        end

        def self.holds(app)
          app.post("/api/w/:workspace/holds") do
            json({ id: act(App::Signoff::Hold, reason: body_json["reason"], channel_id: body_json["channel_id"]) }, 201)
          end
          app.post("/api/w/:workspace/holds/:hold/lift") do
            act(App::Signoff::LiftHold, hold_id: params[:hold])
            done
          end
        end

        def self.said(post_id, body) = { post_id: post_id, step_id: body["step_id"], reason: body["reason"] }
      end
    end
  end
end
