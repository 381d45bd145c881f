# frozen_string_literal: true

module AskFirst
  module Web
    # Asks, answers of members, passes, skips and holds.
    module SignoffRoutes
      def self.registered(app)
        app.post("/api/w/:workspace/asks") do
          due = body_json["due_at"] && Core::Plan::Iso.moment(body_json["due_at"], kit.now, field: "due_at")
          json(
            {
              id:
                act(
                  App::Signoff::SendAsk,
                  step_id: body_json["step_id"],
                  post_ids: body_json["post_ids"],
                  due_at: due,
                  message: body_json.fetch("message", ""),
                  channel_ids: body_json["channel_ids"]
                )
            },
            201
          )
        end
        several(app)
        sent(app)
        app.post("/api/w/:workspace/lines/:line/answer") do
          json act(App::Signoff::AnswerAsk, **SignoffRoutes.answer(params[:line], body_json))
        end
        passes(app)
        rulings(app)
        for_others(app)
        holds(app)
      end

      # The links of guests.
      def self.passes(app)
        app.get("/api/w/:workspace/passes") { json act(App::Signoff::PassesHere) }
        app.post("/api/w/:workspace/passes/:pass/renew") do
          act(App::Signoff::RenewPass, pass_id: params[:pass])
          done
        end
        app.post("/api/w/:workspace/passes/:pass/revoke") do
          act(App::Signoff::RevokePass, pass_id: params[:pass])
          done
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
        app.post("/api/w/:workspace/asks/:ask/nudge") { json(reminded: act(App::Signoff::Nudge, ask_id: params[:ask])) }
      end

      # One ask for each step and those who are asked there.
      def self.several(app)
        app.post("/api/w/:workspace/asks/look") { json act(App::Signoff::LookAtAsks, post_ids: body_json["post_ids"]) }
        app.post("/api/w/:workspace/asks/several") do
          body = body_json
          dues = (body["dues"] || {}).transform_values { |due| Core::Plan::Iso.moment(due, kit.now, field: "dues") }
          said = { post_ids: body["post_ids"], dues: dues, message: body.fetch("message", "") }
          json(act(App::Signoff::SendAsks, **said), 201)
        end
      end

      # What is decided beside the answers.
      def self.rulings(app)
        app.post("/api/w/:workspace/posts/:post/skip") do
          act(App::Signoff::SkipStep, **SignoffRoutes.ruling(params[:post], body_json))
          done
        end
        app.post("/api/w/:workspace/posts/:post/drop-step") do
          act(App::Signoff::DropStep, **SignoffRoutes.ruling(params[:post], body_json))
          done
        end
        app.post("/api/w/:workspace/posts/:post/places") do
          said = SignoffRoutes.ruling(params[:post], body_json)
          act(App::Signoff::RulePlace, **said, kind: body_json["kind"], person_id: body_json["person_id"])
          done
        end
      end

      # What becomes of the word of somebody: said by another's hand, or set aside.
      def self.for_others(app)
        app.post("/api/w/:workspace/posts/:post/set-aside") do
          said = SignoffRoutes.ruling(params[:post], body_json)
          act(App::Signoff::SetAside, **said, person_id: body_json["person_id"])
          done
        end
        app.post("/api/w/:workspace/posts/:post/clear-for") do
          said = SignoffRoutes.ruling(params[:post], body_json)
          act(App::Signoff::ClearFor, **said, person_id: body_json["person_id"], file_id: body_json["file_id"])
          done
        end
      end

      def self.ruling(post_id, body)
        { post_id: post_id, step_id: body["step_id"], reason: body["reason"] }
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

      # The same for members and guests.
      def self.answer(line_id, body)
        {
          line_id: line_id,
          verdict: body["verdict"],
          words: body.fetch("words", ""),
          shown: body["shown"],
          only: body["only"],
          seen: body.fetch("seen", 0)
        }
      end
    end
  end
end
