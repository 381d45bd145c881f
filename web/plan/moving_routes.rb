# frozen_string_literal: true

module AskFirst
  module Web
    module Plan
      # To another time or channel, and what that would do.
      module MovingRoutes
        def self.registered(app)
          moves(app)
          channels(app)
        end

        def self.moves(app)
          app.post("/api/w/:workspace/posts/:post/move-cost") do
            body = body_json
            json act(App::Plan::MoveCost, post_id: params[:post], channel_ids: body["channels"], time: body["time"])
          end
          app.post("/api/w/:workspace/posts/:post/move") do
            body = body_json
            to = { channel_ids: body["channels"], from: body["from"], time: body["time"] }
            json(unreleased: act(App::Plan::Move, post_id: params[:post], **to))
          end
        end

        # On another channel instead.
        def self.channels(app)
          said = ->(body) { %i[from to seen time].to_h { |key| [key, body[key.to_s]] } }
          app.post("/api/w/:workspace/posts/:post/channel-cost") do
            json act(App::Plan::ChannelCost, post_id: params[:post], **said.call(body_json))
          end
          app.post("/api/w/:workspace/posts/:post/change-channel") do
            act(App::Plan::ChangeChannel, post_id: params[:post], **said.call(body_json))
            status 204
          end
        end
      end
    end
  end
end
