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
        app.get("/api/w/:workspace/media/:media/preview") do
          file = act(App::Media::OpenFile::Preview, media_id: params[:media])
          headers OWN
          send_file file[:path], type: file[:mime]
        end
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
