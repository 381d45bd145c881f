# frozen_string_literal: true

module AskFirst
  module Web
    # Partners of a client, with what was made with them and their files.
    module PartnersRoutes
      def self.registered(app)
        app.get("/api/w/:workspace/partners") { json act(App::Partners::PartnerList) }
        app.post("/api/w/:workspace/partners") { json(act(App::Partners::SavePartner, fields: body_json), 201) }
        app.get("/api/w/:workspace/partners/:partner") do
          json act(App::Partners::PartnerDetail, partner_id: params[:partner])
        end
        app.patch("/api/w/:workspace/partners/:partner") do
          seen = { partner_id: params[:partner], version: seen_version }
          json act(App::Partners::SavePartner, fields: body_json, **seen)
        end
        app.delete("/api/w/:workspace/partners/:partner") do
          act(App::Partners::RemovePartner, partner_id: params[:partner])
          done
        end
        beside(app)
        files(app)
      end

      def self.beside(app)
        app.post("/api/w/:workspace/partners/:partner/again") do
          act(App::Partners::RestorePartner, partner_id: params[:partner])
          done
        end
        app.post("/api/w/:workspace/partners/:partner/merge") do
          act(App::Partners::Merge, partner_id: params[:partner], into: body_json["into"])
          done
        end
        app.put("/api/w/:workspace/partners/:partner/ties") do
          ties = { post_ids: body_json["post_ids"], idea_ids: body_json["idea_ids"] }
          act(App::Partners::Tie, partner_id: params[:partner], **ties)
          done
        end
      end

      def self.files(app)
        app.post("/api/w/:workspace/partners/:partner/files") do
          MediaRoutes.received(request.body, most: App::Partners::AddFile::MOST_BYTES) do |file|
            named = { partner_id: params[:partner], name: params[:name] }
            json({ id: act(App::Partners::AddFile, io: file, **named) }, 201)
          end
        end
        app.get("/api/w/:workspace/partners/:partner/files/:partner_file") do
          named = { partner_id: params[:partner], file_id: params[:partner_file] }
          ClientsRoutes.hand_out(self, act(App::Partners::OpenFile, **named))
        end
        app.delete("/api/w/:workspace/partners/:partner/files/:partner_file") do
          act(App::Partners::RemoveFile, partner_id: params[:partner], file_id: params[:partner_file])
          done
        end
      end
    end
  end
end
