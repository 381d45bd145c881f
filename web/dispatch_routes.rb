# frozen_string_literal: true

module AskFirst
  module Web
    # Releases, the dispatch log, and what a person decides about trouble.
    module DispatchRoutes
      # What is published by a person.
      def self.by_hand(app)
        app.get("/api/w/:workspace/showings/:showing/by-hand") do
          json act(App::Dispatch::ByHandPage, showing_id: params[:showing])
        end
        app.post("/api/w/:workspace/showings/:showing/take-up") do
          act(App::Dispatch::TakeUp, showing_id: params[:showing])
          done
        end
        app.post("/api/w/:workspace/showings/:showing/let-go") do
          act(App::Dispatch::LetGo, showing_id: params[:showing])
          done
        end
        app.post("/api/w/:workspace/showings/:showing/confirm") do
          act(App::Dispatch::ConfirmByHand, showing_id: params[:showing], place: body_json["place"])
          done
        end
        app.get("/api/w/:workspace/renditions/:rendition") do
          file = act(App::Media::OpenFile::Rendition, rendition_id: params[:rendition])
          headers MediaRoutes::OWN
          headers "content-disposition" => Attached.as(file[:name])
          send_file file[:path], type: file[:mime]
        end
      end

      def self.registered(app)
        by_hand(app)
        app.get("/api/dispatch") do
          json App::Dispatch::DispatchLog.call(environment, agency_scope, before: params[:before])
        end
        app.post("/api/w/:workspace/posts/:post/release") do
          act(App::Dispatch::Release, post_id: params[:post], adaptation_ids: body_json["adaptation_ids"])
          done
        end
        app.post("/api/w/:workspace/posts/:post/take-back") do
          act(App::Dispatch::TakeBack, post_id: params[:post], adaptation_ids: body_json["adaptation_ids"])
          done
        end
        app.post("/api/w/:workspace/showings/confirm") do
          json act(
                 App::Dispatch::Confirm,
                 showing_ids: body_json["showing_ids"],
                 answer: body_json["answer"],
                 address: body_json["address"]
               )
        end
        app.get("/api/w/:workspace/showings/:showing") do
          json act(App::Dispatch::ShowingStory, showing_id: params[:showing])
        end
        app.post("/api/w/:workspace/showings/:showing/settle") do
          act(App::Dispatch::Settle, showing_id: params[:showing], saw: body_json["saw"], address: body_json["address"])
          done
        end
      end
    end
  end
end
