# frozen_string_literal: true

module AskFirst
  module App
    module Talk
      # Keeps a mail that is not taken as what somebody says. Whoever wrote it is told where it is certain who that is;
      # the asker is told where it is not.
      class KeepReply < Act
        of_process

        # @param pass [Hash] the row of the pass that its address belongs to
        def call(pass:, outcome:, incoming:)
          row = ReplyRow.of(incoming, id: new_id, pass_id: pass[:id], at: now, outcome: outcome)
          scope.insert(:mail_replies, row)
          record("reply_not_taken", facts: { person: names[pass[:person_id]], outcome: outcome })
          kit.queue.not_taken_mail(member.workspace_id, row[:id], at: now) if Core::Talk::Reply::NOT_TAKEN.key?(outcome)
          tell_asker(pass, row) if %w[elsewhere forged].include?(outcome)
        end

        private

        def tell_asker(pass, row)
          ask = rows(:asks).where(id: pass[:ask_id]).first
          why = row[:outcome] == "forged" ? "but its sender could not be confirmed" : "but from #{row[:sender]}"
          People::Notify.call(
            kit,
            member,
            person_ids: [ask[:asked_by]],
            kind: "talk",
            post_id: rows(:ask_lines).where(ask_id: ask[:id]).order(:id).get(:post_id),
            words:
              "A mail answered what #{names[pass[:person_id]]} was asked, #{why}. It stands in no room: " \
                "“#{Core::Talk::Reply.words(row[:whole])[0, 600]}”"
          )
        end
      end
    end
  end
end
