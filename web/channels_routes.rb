# frozen_string_literal: true

module AskFirst
  module Web
    # Channels, connections by consent, channel sets.
    module ChannelsRoutes
      def self.registered(app)
        app.get("/api/networks") { json App::Channels::Networks.call(agency_scope) }
        app.get("/api/w/:workspace/channels") { json act(App::Channels::ChannelList) }
        app.put("/api/w/:workspace/channels-order") do
          act(App::Channels::OrderChannels, channel_ids: body_json["channel_ids"])
          done
        end
        one(app)
        adding(app)
        connecting(app)
        sets(app)
      end

      def self.one(app)
        app.put("/api/w/:workspace/channels/:channel") do
          json(
            version:
              act(
                App::Channels::UpdateChannel,
                channel_id: params[:channel],
                version: seen_version,
                name: body_json["name"],
                limits: body_json["limits"]
              )
          )
        end
        app.post("/api/w/:workspace/channels/:channel/archive") do
          act(App::Channels::ArchiveChannel, channel_id: params[:channel], out: body_json["out"] == true)
          done
        end
        app.put("/api/w/:workspace/channels/:channel/off") do
          act(App::Channels::SwitchChannel, channel_id: params[:channel], off: body_json["off"])
          done
        end
      end

      def self.adding(app)
        app.post("/api/w/:workspace/channels/offline") do
          body = body_json
          json(
            {
              id:
                act(
                  App::Channels::AddOffline,
                  name: body["name"],
                  initials: body["initials"],
                  limit: body["limit"],
                  pictures: body["pictures"],
                  picture_needed: body.fetch("picture_needed", false)
                )
            },
            201
          )
        end
        app.post("/api/w/:workspace/channels/planned") do
          json(
            {
              id:
                act(
                  App::Channels::PlanChannel,
                  network_address: body_json["network_address"],
                  account: body_json["account"],
                  name: body_json["name"]
                )
            },
            201
          )
        end
      end

      def self.connecting(app)
        app.post("/api/w/:workspace/connect") do
          json(
            {
              address:
                act(
                  App::Channels::BeginConnect,
                  network_address: body_json["network_address"],
                  channel_id: body_json["channel_id"]
                )
            },
            201
          )
        end
        app.post("/api/connect/finish") do
          json App::Channels::FinishConnect.call(
                 environment,
                 person_id,
                 state: body_json["state"],
                 code: body_json["code"],
                 error: body_json["error"]
               )
        end
        app.get("/api/w/:workspace/connect/:try") { json act(App::Channels::ConnectTry, try_id: params[:try]) }
        app.post("/api/w/:workspace/connect/:try/add") do
          json(
            {
              ids:
                act(
                  App::Channels::AddAccounts,
                  try_id: params[:try],
                  accounts: body_json["accounts"],
                  anyway: body_json["anyway"] == true
                )
            },
            201
          )
        end
        app.post("/api/w/:workspace/connections/:connection/withdraw") do
          act(App::Channels::WithdrawConsent, connection_id: params[:connection])
          done
        end
      end

      def self.sets(app)
        app.post("/api/w/:workspace/channel-sets") do
          json({ id: act(App::Channels::SaveSet, name: body_json["name"], channel_ids: body_json["channel_ids"]) }, 201)
        end
        app.put("/api/w/:workspace/channel-sets/:set") do
          act(
            App::Channels::SaveSet,
            set_id: params[:set],
            version: seen_version,
            name: body_json["name"],
            channel_ids: body_json["channel_ids"]
          )
          done
        end
        app.delete("/api/w/:workspace/channel-sets/:set") do
          act(App::Channels::RemoveSet, set_id: params[:set])
          done
        end
      end
    end
  end
end
