# frozen_string_literal: true

module AskFirst
  module Web
    # Production tasks.
    module TrafficRoutes
      def self.registered(app)
        app.post("/api/w/:workspace/posts/:post/tasks") do
          json(
            {
              id:
                act(
                  App::Traffic::AssignTask,
                  post_id: params[:post],
                  kind: body_json["kind"],
                  title: body_json["title"],
                  note: body_json.fetch("note", ""),
                  person_id: body_json["person_id"],
                  due: body_json["due"]
                )
            },
            201
          )
        end
        app.post("/api/w/:workspace/tasks/:task/done") do
          act(App::Traffic::FinishTask, task_id: params[:task])
          done
        end
      end
    end
  end
end
