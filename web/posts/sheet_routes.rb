# frozen_string_literal: true

module AskFirst
  module Web
    module Posts
      # Posts, their parts and their channels.
      module SheetRoutes
        def self.registered(app)
          app.get("/api/posts") do
            json App::Posts::ListPosts.call(
                   agency_scope,
                   stage: params[:stage],
                   before: params[:before],
                   words: params[:words],
                   channels: params[:channels]&.split(","),
                   all: params[:switched_off] != "hidden"
                 )
          end
          app.post("/api/w/:workspace/posts") do
            made = act(App::Posts::CreatePost, subject: body_json.fetch("subject", ""), post_id: body_json["id"])
            json({ id: made }, 201)
          end
          app.get("/api/w/:workspace/new-posts") { json act(App::Posts::NewSheet) }
          app.get("/api/w/:workspace/new-posts/:new") { json act(App::Posts::NewSheet, post_id: params[:new]) }
          app.get("/api/w/:workspace/posts/:post") { json act(App::Posts::PostSheet, post_id: params[:post]) }
          app.get("/api/w/:workspace/posts/:post/blocks") do
            json act(App::Posts::PostSheet, post_id: params[:post], blocks: params[:names].split(","))
          end
          app.get("/api/w/:workspace/posts/:post/revisions") do
            json act(App::Posts::Revisions, post_id: params[:post], from: params[:from]&.to_i, to: params[:to]&.to_i)
          end
          app.get("/api/w/:workspace/posts/:post/record") do
            json act(App::Record::PostRecord, post_id: params[:post], after: params[:after])
          end
          parts(app)
          discarding(app)
          opening(app)
        end

        def self.parts(app)
          app.put("/api/w/:workspace/posts/:post/owner") do
            act(App::Posts::UpdateOwner, post_id: params[:post], person_id: body_json["person"])
            status 204
          end
          app.put("/api/w/:workspace/posts/:post/subject") do
            json(
              version:
                act(App::Posts::Rename, post_id: params[:post], subject: body_json["subject"], version: seen_version)
            )
          end
          app.put("/api/w/:workspace/posts/:post/channels") do
            act(App::Posts::ChooseChannels, post_id: params[:post], channel_ids: body_json["channel_ids"])
            done
          end
          app.put("/api/w/:workspace/posts/:post/parts/:part") do
            json(
              version:
                act(
                  App::Posts::UpdatePart,
                  post_id: params[:post],
                  channel_id: params[:channel],
                  part: params[:part],
                  value: body_json["value"],
                  version: seen_version
                )
            )
          end
          app.delete("/api/w/:workspace/posts/:post/parts/:part") do
            act(
              App::Posts::FollowMaster,
              post_id: params[:post],
              channel_id: params[:channel],
              part: params[:part],
              version: seen_version
            )
            done
          end
        end

        def self.discarding(app)
          app.get("/api/discarded-posts") do
            json App::Posts::ListDiscarded.call(
                   environment,
                   agency_reader,
                   params[:workspace],
                   words: params[:words],
                   before: params[:before]
                 )
          end
          app.get("/api/w/:workspace/discarded-posts/:post") do
            json act(App::Posts::DiscardedPost, post_id: params[:post])
          end
          app.post("/api/w/:workspace/posts/:post/discard") do
            act(App::Posts::DiscardPost, post_id: params[:post])
            done
          end
          app.post("/api/w/:workspace/posts/:post/bring-back") do
            act(App::Posts::BringBack, post_id: params[:post])
            done
          end
        end

        def self.opening(app)
          app.post("/api/w/:workspace/posts/:post/open") do
            act(App::Posts::OpenPost, post_id: params[:post], adaptation_ids: body_json["adaptation_ids"])
            done
          end
          app.post("/api/w/:workspace/posts/:post/close") do
            act(App::Posts::ClosePost, post_id: params[:post], adaptation_ids: body_json["adaptation_ids"])
            done
          end
          app.post("/api/w/:workspace/releases") do
            json act(App::Dispatch::ReleaseMany, post_ids: body_json["post_ids"].uniq)
          end
          app.post("/api/w/:workspace/posts/:post/ready") do
            act(App::Posts::MarkReady, post_id: params[:post])
            done
          end
        end
      end
    end
  end
end
