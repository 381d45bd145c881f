# frozen_string_literal: true

module AskFirst
  module Web
    module Signoff
      # Asks: sent, looked at before, reminded of, withdrawn.
      module AsksRoutes
        def self.registered(app)
          app.post("/api/w/:workspace/asks") do
            json({ id: act(App::Signoff::SendAsk, **AsksRoutes.said(body_json, environment.now)) }, 201)
          end
          several(app)
          sent(app)
        end

        def self.said(body, now)
          {
            step_id: body["step_id"],
            post_ids: body["post_ids"],
            due_at: body["due_at"] && Core::Plan::Iso.moment(body["due_at"], now, field: "due_at"),
            message: body.fetch("message", ""),
            channel_ids: body["channel_ids"]
          }
        end

        # One ask for each step and those who are asked there.
        def self.several(app)
          app.post("/api/w/:workspace/asks/look") do
            json act(App::Signoff::LookAtAsks, post_ids: body_json["post_ids"])
          end
          app.post("/api/w/:workspace/asks/several") do
            body = body_json
            dues =
              (body["dues"] || {}).transform_values do |due|
                Core::Plan::Iso.moment(due, environment.now, field: "dues")
              end
            said = { post_ids: body["post_ids"], dues: dues, message: body.fetch("message", "") }
            json(act(App::Signoff::SendAsks, **said), 201)
          end
        end

        # What becomes of an ask that was sent.
        def self.sent(app)
          app.post("/api/w/:workspace/asks/:ask/withdraw") do
            act(App::Signoff::WithdrawAsk, ask_id: params[:ask])
            done
          end
          app.post("/api/w/:workspace/asks/:ask/withdraw/:post") do
            act(App::Signoff::WithdrawLine, ask_id: params[:ask], post_id: params[:post])
            done
          end
          app.post("/api/w/:workspace/asks/:ask/not-withdrawn") do
            act(App::Signoff::UndoWithdraw, ask_id: params[:ask], post_id: body_json["post_id"])
            done
          end
          app.post("/api/w/:workspace/nudges") do
            json(reminded: act(App::Signoff::NudgeAll, ask_ids: body_json["ask_ids"]))
          end
          app.post("/api/w/:workspace/asks/:ask/nudge") do
            json(reminded: act(App::Signoff::Nudge, ask_id: params[:ask]))
          end
        end
      end
    end
  end
end
