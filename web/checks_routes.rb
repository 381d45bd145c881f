# frozen_string_literal: true

module AskFirst
  module Web
    # Checks of a post as it is typed, and the reminders that a client has for every post.
    module ChecksRoutes
      def self.registered(app)
        app.post("/api/w/:workspace/posts/:post/check") do
          json act(
                 App::Posts::CheckDraft,
                 post_id: params[:post],
                 channel_id: body_json["channel"],
                 part: body_json["part"],
                 value: body_json["value"]
               )
        end
        app.put("/api/w/:workspace/posts/:post/reminders/:reminder") do
          act(
            App::Checks::TickReminder,
            post_id: params[:post],
            reminder_id: params[:reminder],
            ticked: body_json["ticked"]
          )
          done
        end
        app.get("/api/w/:workspace/reminders") { json act(App::Checks::ReminderList) }
        app.put("/api/w/:workspace/reminders") do
          act(App::Checks::UpdateReminders, words: body_json["words"])
          done
        end
      end
    end
  end
end
