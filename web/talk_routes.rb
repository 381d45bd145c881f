# frozen_string_literal: true

module AskFirst
  module Web
    # The conversation beside a post, in its two rooms.
    module TalkRoutes
      def self.registered(app)
        app.post("/api/w/:workspace/posts/:post/remarks") do
          said = { room: body_json["room"], words: body_json["words"] }
          json({ id: act(App::Talk::Say, post_id: params[:post], **said) }, 201)
        end
        app.post("/api/w/:workspace/posts/:post/files") do
          MediaRoutes.received(request.body, most: App::Talk::AddFile::MOST_BYTES) do |file|
            named = { post_id: params[:post], room: params[:room], name: params[:name] }
            json({ id: act(App::Talk::AddFile, io: file, **named) }, 201)
          end
        end
        app.get("/api/w/:workspace/posts/:post/files/:post_file") do
          named = { post_id: params[:post], file_id: params[:post_file] }
          ClientsRoutes.hand_out(self, act(App::Talk::OpenFile, **named))
        end
      end
    end
  end
end
