# frozen_string_literal: true

module AskFirst
  module App
    module Ideas
      # Keeps a mail of a member as an idea: its files go into the client's media, as far as they can be taken; those
      # that cannot are named.
      class KeepMail < Act
        stepwise
        of_process

        # @param incoming [Edge::Mail::Messages::Message]
        # @param title [String]
        # @return [String] the idea's id
        def call(incoming:, title:)
          files = incoming.files
          kept = files.first(Core::Ideas::Idea::MEDIA).to_h { |file| [file, add(file)] }.compact
          note = Core::Ideas::ByMail.note(incoming.words, (files - kept.keys).map(&:name))
          write do
            said = { "title" => title, "note" => note, "media_ids" => kept.values.uniq }
            id = SaveIdea.call(environment, member, fields: said, came: "mail")[:id]
            mail = {
              digest: Store::Database.blob(incoming.digest),
              sender: incoming.sender,
              outcome: "kept",
              person_id: member.person_id
            }
            scope.insert(:idea_mails, { **mail, idea_id: id, at: now })
            id
          end
        end

        private

        # @return [String, nil] nil for what cannot be taken
        def add(file)
          Media::UploadMedia.call(environment, member, io: StringIO.new(file.bytes), name: file.name, once: true)[:id]
        rescue Core::Error
          nil
        end
      end
    end
  end
end
