# frozen_string_literal: true

require "digest"

module AskFirst
  module Edge
    module Mail
      # Reads mails in the sandbox. One that cannot be read to its end is read by its head alone, so that whoever it
      # belongs to can be told.
      class Messages
        # A mail as it was read.
        #
        # digest: SHA-256 of its bytes · cut: only its head was fetched · garbled: its words cannot be read · for_whom:
        # every address that it says it is for · text: all of its words ·
        # words: without what it quotes · files: Incoming::File
        Message =
          Struct.new(
            :digest,
            :cut,
            :garbled,
            :sender,
            :for_whom,
            :automatic,
            :failed,
            :subject,
            :text,
            :words,
            :files,
            keyword_init: true
          ) do
            # @return [Core::Talk::Reply::Mail]
            def facts
              Core::Talk::Reply::Mail.new(
                **to_h.slice(:sender, :automatic, :failed, :cut, :garbled, :words),
                files: files.size
              )
            end
          end

        NOTHING = {
          sender: "",
          for_whom: "",
          automatic: true,
          failed: false,
          subject: "",
          text: "",
          words: "",
          files: []
        }.freeze

        # @param sandbox [Sandbox]
        # @param checker [String] see Incoming
        def initialize(sandbox, checker)
          @sandbox = sandbox
          @checker = checker
        end

        # @param raw [String] its bytes, or its head alone
        # @param cut [Boolean] whether only its head was fetched
        # @return [Message]
        def of(raw, cut: false)
          known = { digest: Digest::SHA256.digest(raw), cut: cut }
          Message.new(**known, **read(raw, cut))
        rescue Sandbox::Exceeded, Sandbox::Failed
          Message.new(**known, **head(raw), garbled: true)
        end

        private

        def read(raw, cut)
          said, bytes = @sandbox.call(:mail, { cut: cut, checker: @checker }, bytes: [raw])
          bytes = [*bytes]
          said.merge(files: said[:files].map { |name| Incoming::File.new(name: name, bytes: bytes.shift.to_s) })
        end

        # Where not even that can be read, it is nobody's.
        def head(raw)
          read(raw.byteslice(0, Incoming::HEAD), true)
        rescue Sandbox::Exceeded, Sandbox::Failed
          NOTHING
        end
      end
    end
  end
end
