# frozen_string_literal: true

module AskFirst
  module Web
    module Posts
      # What stands around the parts of a post while it is written: copies, labels, the note, the book of mentions, link
      # previews, and who else is there.
      module WritingRoutes
        def self.registered(app)
          at = "/api/w/:workspace/posts/:post"
          app.post("#{at}/here") do
            act(
              App::Posts::AnnouncePresence,
              post_id: params[:post],
              part: body_json["part"],
              channel_id: body_json["channel"],
              leaving: body_json["leaving"] || false
            )
            done
          end
          whole(app, at)
          beside(app, at)
          of_client(app)
        end

        # Acts on the whole of a post.
        def self.whole(app, at)
          app.post("#{at}/follow-master") do
            act(App::Posts::FollowAll, post_id: params[:post], channel_id: body_json["channel_id"])
            done
          end
          app.post("#{at}/spread-out") do
            json(
              moved:
                act(
                  App::Posts::SpreadOut,
                  post_id: params[:post],
                  times: body_json["times"].to_h { |one| one.values_at("channel_id", "wall") }
                )
            )
          end
          app.post("#{at}/take-revision-back") do
            json(number: act(App::Posts::TakeRevisionBack, post_id: params[:post], number: body_json["number"]))
          end
          app.post("#{at}/copies") do
            json(
              {
                ids:
                  act(
                    App::Posts::CopyPost,
                    post_id: params[:post],
                    walls: body_json["walls"] || [],
                    channel_ids: body_json["channel_ids"],
                    workspace_id: body_json["workspace_id"]
                  )
              },
              201
            )
          end
        end

        # What stands beside a post and voids nothing.
        def self.beside(app, at)
          app.put("#{at}/inner-name") do
            json(
              version:
                act(
                  App::Posts::UpdateInnerName,
                  post_id: params[:post],
                  inner_name: body_json["inner_name"],
                  version: seen_version
                )
            )
          end
          app.put("#{at}/note") do
            json(
              version:
                act(App::Posts::UpdateNote, post_id: params[:post], note: body_json["note"], version: seen_version)
            )
          end
          app.put("#{at}/labels") do
            json(labels: act(App::Posts::SetLabels, post_id: params[:post], names: body_json["names"]))
          end
          app.put("#{at}/campaign") do
            act(App::Posts::SetCampaign, post_id: params[:post], name: body_json["name"])
            done
          end
        end

        def self.of_client(app)
          app.get("/api/w/:workspace/mentions") { json act(App::Posts::MentionBook) }
          app.put("/api/w/:workspace/mentions") do
            json(id: act(App::Posts::SaveMention, name: body_json["name"], spellings: body_json["spellings"]))
          end
          app.post("/api/w/:workspace/link-readings") do
            json(
              {
                id: act(App::Posts::PreviewLink, address: body_json["address"], picture: body_json["picture"] || false)
              },
              202
            )
          end
          app.get("/api/w/:workspace/link-readings/:reading") do
            json(page: act(App::Posts::LinkReading, reading_id: params[:reading]))
          end
        end
      end
    end
  end
end
