# frozen_string_literal: true

require "tempfile"

module AskFirst
  module Web
    # Client workspaces: set-up, settings, brand sheet, archive, deletion, export, record.
    module ClientsRoutes
      def self.registered(app)
        app.post("/api/clients") do
          body = body_json
          json(
            {
              id:
                agency_act(
                  App::Clients::CreateClient,
                  name: body["name"],
                  initials: body["initials"],
                  edge: body["edge"],
                  zone: body["zone"],
                  week_start: body.fetch("week_start", 1),
                  copy_from: body["copy_from"],
                  copy: body.fetch("copy", [])
                )
            },
            201
          )
        end
        settings(app)
        brand(app)
        ending(app)
        app.get("/api/w/:workspace/record") do
          json act(
                 App::Record::ClientPage,
                 **params.to_h.slice("before", "person", "act", "from", "to").transform_keys(&:to_sym)
               )
        end
      end

      def self.settings(app)
        app.get("/api/w/:workspace/settings") { json act(App::Clients::Settings) }
        app.put("/api/w/:workspace/settings") do
          values = body_json.transform_keys(&:to_sym).slice(*App::Clients::UpdateSettings::FIELDS)
          json(version: act(App::Clients::UpdateSettings, version: seen_version, **values))
        end
        app.put("/api/w/:workspace/setup-step") do
          act(App::Clients::GoOnSettingUp, step: body_json["step"])
          done
        end
        app.post("/api/w/:workspace/logo") do
          MediaRoutes.received(request.body) { |file| act(App::Clients::UpdateLogo, io: file) }
          done
        end
        app.delete("/api/w/:workspace/logo") do
          act(App::Clients::UpdateLogo, io: nil)
          done
        end
        app.get("/api/w/:workspace/logo") do
          file = act(App::Clients::OpenFile::Mark)
          headers MediaRoutes::OWN
          send_file file[:path], type: file[:mime]
        end
      end

      def self.brand(app)
        app.get("/api/w/:workspace/brand") { json act(App::Clients::BrandSheet) }
        app.put("/api/w/:workspace/brand/:part") do
          json(
            version:
              act(App::Clients::UpdateBrandPart, part: params[:part], value: body_json["value"], version: seen_version)
          )
        end
        app.post("/api/w/:workspace/brand-files") do
          MediaRoutes.received(request.body, most: App::Clients::AddBrandFile::MOST_BYTES) do |file|
            json({ id: act(App::Clients::AddBrandFile, io: file, name: params[:name]) }, 201)
          end
        end
        app.get("/api/w/:workspace/brand-files/:file") do
          ClientsRoutes.hand_out(self, act(App::Clients::OpenFile::Brand, file_id: params[:file]))
        end
        app.delete("/api/w/:workspace/brand-files/:file") do
          act(App::Clients::RemoveBrandFile, file_id: params[:file])
          done
        end
      end

      # As a download, never shown in the page's own origin, whatever it holds.
      # @param file [Hash] path:, name:
      def self.hand_out(app, file)
        app.headers "content-security-policy" => "default-src 'none'; sandbox",
                    "content-disposition" => Attached.as(file[:name])
        app.send_file file[:path], type: "application/octet-stream"
      end

      def self.ending(app)
        app.get("/api/w/:workspace/what-goes") { json act(App::Clients::WhatGoes) }
        app.post("/api/w/:workspace/archive") do
          act(App::Clients::Archive, out: body_json["out"] == true)
          done
        end
        app.post("/api/w/:workspace/delete") do
          act(App::Clients::Delete, typed: body_json["name"])
          done
        end
        app.get("/api/w/:workspace/export") do
          file = Tempfile.create("export")
          name = act(App::Clients::Export, path: file.path)
          headers "content-disposition" => Attached.as(name), "content-type" => "application/zip"
          halt 200, ClientsRoutes.once(file)
        end
      end

      # Streams a temporary file and removes it.
      def self.once(file)
        Enumerator.new do |out|
          File.open(file.path, "rb") { |io| out << io.read(256 * 1024) until io.eof? }
        ensure
          file.close
          File.unlink(file.path)
        end
      end
    end
  end
end
