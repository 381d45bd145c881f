# frozen_string_literal: true

module AskFirst
  module App
    module Talk
      # Says in the client's room what somebody of the client wrote in answer to a mail, with the files that it brought.
      class SayByMail < Act
        stepwise
        opens :own_line, nil

        MOST_FILES = 10

        # @param incoming [Edge::Mail::Messages::Message]
        # @param about_all [Boolean] whether it answers a mail about several posts
        # @return [String] the remark's id
        def call(line_id:, incoming:, about_all:)
          post_id = reading { enter }.row[:post_id]
          files = incoming.files
          kept = files.first(MOST_FILES).to_h { |file| [file, add(post_id, file)] }.compact
          write do
            Signoff::RemarkOnLine
              .call(environment, member, line_id: line_id, words: incoming.words, file_ids: kept.values)
              .tap { |remark| keep_mail(incoming, remark, about_all, (files - kept.keys).map(&:name)) }
          end
        end

        private

        # One that cannot be kept is named in the mail, which is kept.
        def add(post_id, file)
          AddFile.call(
            environment,
            member,
            post_id: post_id,
            room: "client",
            name: file.name,
            io: StringIO.new(file.bytes)
          )
        rescue Core::Invalid
          nil
        end

        def keep_mail(incoming, remark, about_all, left)
          several = rows(:ask_lines).where(ask_id: member.ask_id).count > 1
          said = { outcome: "said", remark_id: remark, about_all: about_all && several }
          scope.insert(
            :mail_replies,
            ReplyRow.of(incoming, left: left, id: new_id, pass_id: member.pass_id, at: now, **said)
          )
        end
      end
    end
  end
end
