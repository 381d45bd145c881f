# frozen_string_literal: true

module AskFirst
  module Web
    # Campaigns, labels, and the mix of both.
    module CampaignsRoutes
      def self.registered(app)
        campaigns(app)
        files(app)
        labels(app)
        app.put("/api/w/:workspace/plan/pace") do
          act(App::Campaigns::WantPace, pace: body_json)
          status 204
        end
        app.get("/api/w/:workspace/plan/balance") do
          json act(App::Campaigns::Balance, from: params[:from], to: params[:to])
        end
      end

      def self.campaigns(app)
        app.get("/api/campaigns") { json App::Campaigns::CampaignList.call(environment, agency_scope) }
        app.post("/api/w/:workspace/campaigns") do
          json({ id: act(App::Campaigns::SaveCampaign, plan: body_json) }, 201)
        end
        app.get("/api/w/:workspace/campaigns/:campaign") do
          json act(App::Campaigns::Overview, campaign_id: params[:campaign])
        end
        app.put("/api/w/:workspace/campaigns/:campaign") do
          named = { campaign_id: params[:campaign], version: seen_version }
          act(App::Campaigns::SaveCampaign, plan: body_json, **named)
          status 204
        end
      end

      def self.files(app)
        app.post("/api/w/:workspace/campaigns/:campaign/files") do
          MediaRoutes.received(request.body, most: App::Campaigns::AddFile::MOST_BYTES) do |file|
            named = { campaign_id: params[:campaign], name: params[:name] }
            json({ id: act(App::Campaigns::AddFile, io: file, **named) }, 201)
          end
        end
        app.get("/api/w/:workspace/campaigns/:campaign/files/:campaign_file") do
          named = { campaign_id: params[:campaign], file_id: params[:campaign_file] }
          ClientsRoutes.hand_out(self, act(App::Campaigns::OpenFile, **named))
        end
        app.delete("/api/w/:workspace/campaigns/:campaign/files/:campaign_file") do
          act(App::Campaigns::RemoveFile, campaign_id: params[:campaign], file_id: params[:campaign_file])
          status 204
        end
      end

      def self.labels(app)
        app.get("/api/w/:workspace/labels") { json act(App::Campaigns::LabelList) }
        app.put("/api/w/:workspace/plan/mix") do
          act(App::Campaigns::WantMix, targets: body_json["targets"])
          status 204
        end
        app.put("/api/w/:workspace/labels/:label") do
          body = body_json
          looks = { name: body["name"], initials: body["initials"], colour: body["colour"], parent_id: body["parent"] }
          act(App::Campaigns::UpdateLabel, label_id: params[:label], **looks)
          status 204
        end
        app.post("/api/w/:workspace/labels/:label/merge") do
          json({ posts: act(App::Campaigns::MergeLabels, label_id: params[:label], into: body_json["into"]) })
        end
      end
    end
  end
end
