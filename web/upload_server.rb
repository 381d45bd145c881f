# frozen_string_literal: true

require "tus/server"

module AskFirst
  module Web
    # Large files in pieces, which go on where they broke off: tus 1.0 by its own server library, behind the door. What
    # is uploaded belongs to whoever began it.
    class UploadServer < Tus::Server
      opts[:max_size] = App::Media::UploadMedia::MOST_BYTES

      PLACE = "ask_first.uploads"
      # status of tus 1.0 => our words
      REFUSED = {
        400 => [
          "bad_upload",
          "This is no upload as tus 1.0 describes it.",
          "Send it by a program that speaks tus 1.0."
        ],
        409 => [
          "upload_elsewhere",
          "This piece begins where the file does not end.",
          "Ask how far it is, and go on there."
        ],
        410 => ["upload_gone", "This upload is not here.", "Begin it again."],
        412 => ["upload_version", "This speaks tus 1.0.", "Send it by a program that speaks tus 1.0."],
        413 => ["file_too_large", "The file is larger than is taken.", "Export it smaller."]
      }.freeze

      # @param env [Hash] of the request
      # @param uploads [Edge::Files::Uploads] of whoever asks
      # @param uid [String, nil] of the upload
      # @return [Array] a Rack reply
      def self.answer(env, uploads, uid = nil)
        path = env["PATH_INFO"].delete_suffix("/#{uid}")
        here = env.merge(PLACE => uploads, "SCRIPT_NAME" => path, "PATH_INFO" => uid ? "/#{uid}" : "")
        return uploads.beginning { begun(here, uploads) } if uid.nil?
        return gone unless uploads.named?(uid)

        uploads.alone(uid) { said(call(here)) } || busy
      rescue Errno::ENOSPC
        full
      end

      # A new upload, as long as there is room beside those that are on their way.
      def self.begun(env, uploads)
        most = App::Media::UploadMedia::MOST_BYTES
        coming = Integer(env["HTTP_UPLOAD_LENGTH"].to_s, 10, exception: false) || most
        refusal = Core::Media::UploadBounds.refusal(uploads.open(most), uploads.open_here(most), coming) or
          return said(call(env))

        Problem.reply(409, refusal.code, refusal.message, field: refusal.field, way_on: refusal.way_on)
      end

      # What the protocol refuses, in our words; its headers stay.
      def self.said(reply)
        status, headers, = reply
        return reply if status < 400

        code, sentence, way_on = REFUSED.fetch(status, REFUSED[400])

        ours = Problem.reply(status, code, sentence, way_on: way_on)
        [status, headers.except("content-length", "Content-Length").merge(ours[1]), ours[2]]
      end

      def self.gone
        Problem.reply(404, "upload_gone", "This upload is not here.", way_on: "Begin it again.")
      end

      def self.busy
        Problem.reply(423, "upload_busy", "A piece of this file is being taken just now.", way_on: "Go on in a moment.")
      end

      def self.full
        Problem.reply(
          507,
          "disk_full",
          "There is no room left for files.",
          way_on: "Tell whoever runs the server; the upload goes on from here when there is."
        )
      end

      def storage = env[PLACE]
      def expiration_time = storage.class::KEPT
    end
  end
end
