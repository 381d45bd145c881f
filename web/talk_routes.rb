# frozen_string_literal: true

module AskFirst
  module Web
    # The conversation beside a post, in its two rooms.
    module TalkRoutes
      def self.registered(app)
        app.post("/api/w/:workspace/posts/:post/remarks") do
          said = TalkRoutes.said(body_json).merge(room: body_json["room"])
          json({ id: act(App::Talk::Say, post_id: params[:post], **said) }, 201)
        end
        remarks(app)
        files(app)
      end

      def self.remarks(app)
        app.put("/api/w/:workspace/remarks/:remark") do
          act(App::Talk::EditRemark, remark_id: params[:remark], words: body_json["words"])
          done
        end
        app.delete("/api/w/:workspace/remarks/:remark") do
          act(App::Talk::RemoveRemark, remark_id: params[:remark])
          done
        end
        app.put("/api/w/:workspace/remarks/:remark/settled") do
          act(App::Talk::SettleRemark, remark_id: params[:remark], settled: body_json["settled"])
          done
        end
        app.get("/api/w/:workspace/remarks/:remark/mail") { json act(App::Talk::WholeMail, remark_id: params[:remark]) }
        app.post("/api/w/:workspace/remarks/:remark/copy-inside") do
          json({ id: act(App::Talk::CopyInside, remark_id: params[:remark]) }, 201)
        end
        app.post("/api/w/:workspace/remarks/:remark/decide") do
          said = { as: body_json["as"], everywhere: body_json["everywhere"] || false }
          act(App::Talk::DecideSuggestion, remark_id: params[:remark], **said)
          done
        end
      end

      def self.files(app)
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

      # The same for members and guests.
      def self.said(body)
        {
          words: body.fetch("words", ""),
          thread_id: body["thread_id"],
          pin: body["pin"],
          replacement: body["replacement"],
          mentions: body["mentions"] || [],
          file_ids: body["file_ids"] || []
        }
      end
    end
  end
end
