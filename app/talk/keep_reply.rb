# frozen_string_literal: true

module AskFirst
  module App
    module Talk
      # Keeps a mail that is not taken as what somebody says. Whoever wrote it is told where it is certain who that is;
      # the asker is told where it is not.
      class KeepReply < Act
        of_process

        # what the asker is told of those that they should know of
        WHY = {
          "elsewhere" => "but from %<sender>s",
          "forged" => "but its sender could not be confirmed",
          "unreadable" => "but it could not be read"
        }.freeze

        # @param pass [Hash] the row of the pass that its address belongs to
        def call(pass:, outcome:, incoming:)
          row = ReplyRow.of(incoming, id: new_id, pass_id: pass[:id], at: now, outcome: outcome)
          scope.insert(:mail_replies, row)
          record("reply_not_taken", facts: { person: names[pass[:person_id]], outcome: outcome })
          if Core::Talk::Reply::NOT_TAKEN.key?(outcome)
            environment.queue.not_taken_mail(member.workspace_id, row[:id], at: now)
          end
          tell_asker(pass, row, incoming.words) if WHY.key?(outcome)
        end

        private

        def tell_asker(pass, row, said)
          ask = rows(:asks).where(id: pass[:ask_id]).first
          why = format(WHY.fetch(row[:outcome]), sender: row[:sender])
          quoted = said.empty? ? "." : ": “#{said[0, 600]}”"
          People::Notify.call(
            environment,
            member,
            person_ids: [ask[:asked_by]],
            kind: "talk",
            post_id: rows(:ask_lines).where(ask_id: ask[:id]).order(:id).get(:post_id),
            words: "A mail answered what #{names[pass[:person_id]]} was asked, #{why}. It stands in no room#{quoted}"
          )
        end
      end
    end
  end
end
