# frozen_string_literal: true

module AskFirst
  module Web
    # Ideas of a client: kept, found, put in order, voted on, made into posts and marks; and those that clients give.
    module IdeasRoutes
      def self.registered(app)
        reading(app)
        keeping(app)
        becoming(app)
        groups(app)
        of_client(app)
      end

      def self.narrowed(params) = %i[group state category words].to_h { |name| [name, params[name]] }.compact
      def self.given(body) = { title: body["title"], note: body.fetch("note", ""), link: body["link"] }

      def self.reading(app)
        app.get("/api/w/:workspace/ideas/board") { json act(App::Ideas::Board, filters: IdeasRoutes.narrowed(params)) }
        app.get("/api/w/:workspace/ideas") do
          how = { order: params[:order] || "newest", after: params[:after] }
          json act(App::Ideas::IdeaList, filters: IdeasRoutes.narrowed(params), **how)
        end
        app.get("/api/w/:workspace/ideas/:idea") { json act(App::Ideas::IdeaDetail, idea_id: params[:idea]) }
      end

      def self.keeping(app)
        app.post("/api/w/:workspace/ideas") { json(act(App::Ideas::SaveIdea, fields: body_json), 201) }
        app.patch("/api/w/:workspace/ideas/:idea") do
          seen = { idea_id: params[:idea], version: seen_version }
          json act(App::Ideas::SaveIdea, fields: body_json, **seen)
        end
        app.delete("/api/w/:workspace/ideas/:idea") do
          act(App::Ideas::RemoveIdea, idea_id: params[:idea])
          done
        end
        app.post("/api/w/:workspace/ideas/:idea/again") do
          act(App::Ideas::RestoreIdea, idea_id: params[:idea])
          done
        end
        app.put("/api/w/:workspace/ideas/:idea/place") do
          to = { group_id: body_json["group_id"], before: body_json["before"] }
          act(App::Ideas::PlaceIdea, idea_id: params[:idea], **to)
          done
        end
        app.put("/api/w/:workspace/ideas/:idea/vote") do
          json act(App::Ideas::Vote, idea_id: params[:idea], worth: body_json["worth"])
        end
      end

      # What is made of them.
      def self.becoming(app)
        app.post("/api/w/:workspace/ideas/:idea/post") do
          json({ id: act(App::Ideas::CreatePost, idea_id: params[:idea]) }, 201)
        end
        app.post("/api/w/:workspace/ideas/:idea/mark") do
          at = { day: body_json["day"], channel_id: body_json["channel_id"], clock: body_json["clock"] }
          act(App::Ideas::PencilIn, idea_id: params[:idea], **at)
          done
        end
        app.post("/api/w/:workspace/ideas/:idea/back") do
          act(App::Ideas::BringBack, idea_id: params[:idea])
          done
        end
      end

      def self.groups(app)
        app.post("/api/w/:workspace/idea-groups") do
          json({ id: act(App::Ideas::SaveGroup, name: body_json["name"]) }, 201)
        end
        app.put("/api/w/:workspace/idea-groups") do
          act(App::Ideas::OrderGroups, group_ids: body_json["group_ids"])
          done
        end
        app.patch("/api/w/:workspace/idea-groups/:group") do
          json(id: act(App::Ideas::SaveGroup, name: body_json["name"], group_id: params[:group]))
        end
        app.delete("/api/w/:workspace/idea-groups/:group") do
          json(ideas: act(App::Ideas::RemoveGroup, group_id: params[:group]))
        end
        app.get("/api/w/:workspace/idea-address") { json act(App::Ideas::MyAddress) }
        app.post("/api/w/:workspace/idea-address") { json(act(App::Ideas::CreateAddress), 201) }
      end

      # For people of the client's side who are signed in.
      def self.of_client(app)
        app.get("/api/w/:workspace/given-ideas") { json act(App::Ideas::GivenIdeas) }
        app.post("/api/w/:workspace/given-ideas") do
          json({ id: act(App::Ideas::GiveIdea, **IdeasRoutes.given(body_json)) }, 201)
        end
      end
    end
  end
end
