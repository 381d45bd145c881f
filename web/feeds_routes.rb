# frozen_string_literal: true

module AskFirst
  module Web
    # Feeds of a client: what of them becomes ideas or drafts, and how they are.
    module FeedsRoutes
      def self.registered(app)
        app.get("/api/w/:workspace/feeds") { json act(App::Feeds::FeedList) }
        app.post("/api/w/:workspace/feeds") { json(act(App::Feeds::SaveFeed, fields: body_json), 201) }
        app.patch("/api/w/:workspace/feeds/:feed") do
          seen = { feed_id: params[:feed], version: seen_version }
          json act(App::Feeds::SaveFeed, fields: body_json.except("address", "folder_id"), **seen)
        end
        app.delete("/api/w/:workspace/feeds/:feed") do
          act(App::Feeds::RemoveFeed, feed_id: params[:feed])
          done
        end
        app.post("/api/w/:workspace/feeds/:feed/try") do
          json(items: act(App::Feeds::TryRule, feed_id: params[:feed], rule: body_json["rule"]))
        end
      end
    end
  end
end
