# frozen_string_literal: true

module AskFirst
  module App
    module Talk
      # Says in the client's room what somebody of the client wrote in answer to a mail, with the files that it brought.
      class SayByMail < Act
        stepwise
        opens :own_line, nil

        MOST_FILES = 10
        WHOLE = 200_000 # characters of the mail that are kept

        # @return [String] all of the mail's words, as they are kept
        def self.whole(incoming)
          Core::Posts::Text.clean(Core::Talk::Reply.safe(incoming.text)[0, WHOLE], field: "whole", limit: WHOLE)
        end

        # @param incoming [Edge::Mail::Incoming]
        # @param about_all [Boolean] whether it answers a mail about several posts
        # @return [String] the remark's id
        def call(line_id:, incoming:, about_all:)
          post_id = reading { enter }.row[:post_id]
          files = incoming.files.first(MOST_FILES).filter_map { |file| add(post_id, file) }
          write do
            words = Core::Talk::Reply.words(incoming.text)
            Signoff::RemarkOnLine
              .call(kit, member, line_id: line_id, words: words, file_ids: files)
              .tap { |remark| keep_mail(incoming, remark, about_all) }
          end
        end

        private

        # One that cannot be kept is named in the mail, which is kept.
        def add(post_id, file)
          AddFile.call(kit, member, post_id: post_id, room: "client", name: file.name, io: StringIO.new(file.bytes))
        rescue Core::Invalid
          nil
        end

        def keep_mail(incoming, remark, about_all)
          several = rows(:ask_lines).where(ask_id: member.ask_id).count > 1
          scope.insert(
            :mail_replies,
            {
              id: new_id,
              pass_id: member.pass_id,
              digest: Sequel.blob(incoming.digest),
              sender: incoming.sender,
              at: now,
              outcome: "said",
              remark_id: remark,
              whole: self.class.whole(incoming),
              about_all: about_all && several
            }
          )
        end
      end
    end
  end
end
