# frozen_string_literal: true

require "tempfile"

module AskFirst
  module Web
    # Pictures in and out. Files are served only through the same check as everything else.
    module MediaRoutes
      # The browser may keep it, and asks each time whether it still may show it: not after signing out.
      OWN = { "cache-control" => "private, no-cache" }.freeze

      def self.registered(app)
        app.post("/api/w/:workspace/media") do
          MediaRoutes.received(request.body) do |file|
            json({ id: act(App::Media::UploadMedia, io: file, name: params[:name])[:id] }, 201)
          end
        end
        shown(app)
        library(app)
        versions(app)
        films(app)
        folders(app)
        uploads(app)
      end

      def self.shown(app)
        app.get("/api/w/:workspace/media/:media/preview") do
          file = act(App::Media::OpenFile::Preview, media_id: params[:media])
          headers OWN
          send_file file[:path], type: file[:mime]
        end
        app.get("/api/w/:workspace/media/:media/thumb") do
          file = act(App::Media::OpenFile::Thumb, media_id: params[:media])
          headers OWN
          send_file file[:path], type: file[:mime]
        end
        app.get("/api/w/:workspace/media/:media/original") do
          file = act(App::Media::OpenFile::Original, media_id: params[:media])
          headers OWN
          headers "content-disposition" => Attached.as(file[:name])
          send_file file[:path], type: file[:mime]
        end
      end

      def self.library(app)
        app.get("/api/w/:workspace/media") do
          filters = %i[folder kind look label words].to_h { |name| [name, params[name]] }.compact
          json(act(App::Media::Library, filters: filters, order: params[:order] || "newest", after: params[:after]))
        end
        app.get("/api/w/:workspace/media/:media") { json(act(App::Media::Medium, media_id: params[:media])) }
        app.patch("/api/w/:workspace/media/:media") do
          said = body_json
          version = act(App::Media::UpdateMedium, media_id: params[:media], fields: said, version: seen_version)
          json(version: version)
        end
        app.post("/api/w/:workspace/media-sorting") do
          into = body_json.key?("folder_id") ? { folder_id: body_json["folder_id"] } : {}
          labels = body_json.fetch("labels", [])
          json(files: act(App::Media::SortMedia, media_ids: body_json["media_ids"], labels: labels, **into))
        end
      end

      # Newer files in the place of a medium, and pictures that are made of others.
      def self.versions(app)
        app.get("/api/w/:workspace/media/:media/version-cost") do
          json(posts: act(App::Media::VersionCost, media_id: params[:media]))
        end
        app.post("/api/w/:workspace/media/:media/versions") do
          posts = params[:posts].to_s.split(",")
          MediaRoutes.received(request.body) do |file|
            json(act(App::Media::NewVersion, media_id: params[:media], io: file, post_ids: posts), 201)
          end
        end
        app.post("/api/w/:workspace/media/:media/edits") do
          kept = { copy: body_json["copy"] || false, post_ids: body_json["post_ids"] || [] }
          json(act(App::Media::EditMedium, media_id: params[:media], edit: body_json["edit"], **kept), 201)
        end
        app.get("/api/w/:workspace/media/:media/edited") do
          made = act(App::Media::EditPreview, media_id: params[:media], edit: MediaRoutes.edit(params[:edit]))
          content_type "image/jpeg"
          headers "cache-control" => "no-store"
          made
        end
      end

      # Films made of others, and the picture by which one is shown.
      def self.films(app)
        app.post("/api/w/:workspace/media/:media/film-edits") do
          kept = { copy: body_json["copy"] || false, post_ids: body_json["post_ids"] || [] }
          json({ id: act(App::Media::EditFilm, media_id: params[:media], edit: body_json["edit"], **kept) }, 202)
        end
        app.put("/api/w/:workspace/media/:media/cover") do
          json(cover_ms: act(App::Media::ChooseCover, media_id: params[:media], at: body_json["at"]))
        end
      end

      def self.folders(app)
        app.get("/api/w/:workspace/media-folders") { json(act(App::Media::Folders)) }
        app.post("/api/w/:workspace/media-folders") do
          json({ id: act(App::Media::SaveFolder, name: body_json["name"]) }, 201)
        end
        app.patch("/api/w/:workspace/media-folders/:folder") do
          json(id: act(App::Media::SaveFolder, name: body_json["name"], folder_id: params[:folder]))
        end
        app.delete("/api/w/:workspace/media-folders/:folder") do
          json(files: act(App::Media::RemoveFolder, folder_id: params[:folder]))
        end
      end

      # tus 1.0: POST begins, HEAD says how far it is, PATCH goes on, DELETE gives it up.
      def self.uploads(app)
        app.post("/api/w/:workspace/uploads") { halt(*UploadServer.answer(env, act(App::Media::UploadState))) }
        app.head("/api/w/:workspace/uploads/:upload") do
          halt(*UploadServer.answer(env, act(App::Media::UploadState), params[:upload]))
        end
        app.patch("/api/w/:workspace/uploads/:upload") do
          halt(*UploadServer.answer(env, act(App::Media::UploadState), params[:upload]))
        end
        app.delete("/api/w/:workspace/uploads/:upload") do
          halt(*UploadServer.answer(env, act(App::Media::UploadState), params[:upload]))
        end
        app.post("/api/w/:workspace/uploads/:upload/keep") do
          json(act(App::Media::KeepUpload, upload_id: params[:upload], folder_id: body_json["folder_id"]), 201)
        end
      end

      # @return [Object] what Core::Media::Edit looks at
      def self.edit(text)
        JSON.parse(text.to_s)
      rescue JSON::ParserError
        nil
      end

      # The body into a file of its own, never more than is taken.
      def self.received(body, most: App::Media::UploadMedia::MOST_BYTES)
        Tempfile.create("upload", binmode: true) do |file|
          IO.copy_stream(body, file, most + 1)
          file.rewind
          yield file
        end
      end
    end
  end
end
