# frozen_string_literal: true

module AskFirst
  module Web
    # The client's review: one pass, one ask, no account.
    module ReviewRoutes
      COOKIE = "af_visit"

      def self.registered(app)
        app.post("/api/review/exchange") do
          visit = App::Signoff::ExchangePass.call(environment, body_json["pass"])
          response.set_cookie(
            COOKIE,
            value: visit,
            path: "/api/review",
            httponly: true,
            same_site: :strict,
            secure: request.ssl?,
            max_age: App::Signoff::ExchangePass::VISIT_DAYS * 86_400
          )
          # with what is asked at once: on a slow line each way there and back is felt
          json App::Signoff::Review.call(environment, App::Signoff::ExchangePass.member(environment, visit, request.ip))
        end
        secrets(app)
        asked(app)
      end

      # What a device or a receipt is known by.
      def self.secrets(app)
        app.post("/api/review/pin") do
          App::Signoff::ExchangePass.verify(environment, request.cookies[COOKIE], body_json["pin"])
          done
        end
        app.post("/api/review/pin/again") do
          App::Signoff::ExchangePass.send_pin(environment, request.cookies[COOKIE])
          done
        end
        app.post("/api/review/receipt") { json App::Signoff::ReceiptByLink.call(environment, body_json["receipt"]) }
        app.post("/api/review/disown") do
          body = body_json
          json App::Signoff::Disown.by_secret(environment, body["receipt"], body["line"], from: request.ip)
        end
      end

      # Nobody of the client's side is named or hands over files by link.
      def self.said(body)
        { words: body.fetch("words", ""), pin: body["pin"], replacement: body["replacement"] }
      end

      def self.asked(app)
        app.get("/api/review/ask") { json App::Signoff::Review.call(environment, guest) }
        app.post("/api/review/lines/:line/answer") do
          json App::Signoff::AnswerAsk.call(environment, guest, **Signoff::AnswersRoutes.said(params[:line], body_json))
        end
        app.post("/api/review/lines/:line/remark") do
          json(
            {
              id:
                App::Signoff::RemarkOnLine.call(
                  environment,
                  guest,
                  line_id: params[:line],
                  **ReviewRoutes.said(body_json)
                )
            },
            201
          )
        end
        app.get("/api/review/ideas") { json App::Ideas::GivenIdeas.call(environment, guest) }
        app.post("/api/review/ideas") do
          json({ id: App::Ideas::GiveIdea.call(environment, guest, **IdeasRoutes.given(body_json)) }, 201)
        end
        app.get("/api/review/files/:rendition") do
          file = App::Media::OpenFile::Shown.call(environment, guest, rendition_id: params[:rendition])
          headers MediaRoutes::OWN
          send_file file[:path], type: file[:mime]
        end
      end
    end
  end
end
