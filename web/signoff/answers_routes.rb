# frozen_string_literal: true

module AskFirst
  module Web
    module Signoff
      # Answers of members.
      module AnswersRoutes
        def self.registered(app)
          app.post("/api/w/:workspace/lines/:line/answer") do
            json act(App::Signoff::AnswerAsk, **AnswersRoutes.said(params[:line], body_json))
          end
        end

        # The same for members and guests.
        def self.said(line_id, body)
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
end
