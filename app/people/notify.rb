# frozen_string_literal: true

module AskFirst
  module App
    module People
      # Tells members of the agency side something: in the masthead at once, by mail when and as they want it. Runs
      # inside the transaction of the act that caused it; people of the client's side are told by the ask's own mail.
      class Notify < Act
        inside

        # @param person_ids [Array<String>] whoever acts is left out
        # @param kind [String] of Core::People::Notices::KINDS
        def call(person_ids:, kind:, words:, post_id: nil)
          others = person_ids.uniq - [member.person_id]
          return if others.empty?

          current = Store::People::Members.current(now)
          here = rows(:memberships).where(person_id: others, side: "agency").where(current).select(:person_id)
          environment.db[:people].where(id: here).all.each { |person| notice(person, kind, words, post_id) }
        end

        private

        def notice(person, kind, words, post_id)
          quiet = Core::People::Notices.quiet(*person.values_at(:quiet_from, :quiet_to))
          choice = Core::People::Notices.choice(person[:notices], kind)
          due = Core::People::Notices.due_at(choice, now, person[:zone], quiet) # nil: only in the masthead
          scope.insert(
            :notices,
            {
              id: new_id,
              person_id: person[:id],
              kind: kind,
              post_id: post_id,
              words: words.to_s[0, 1_000],
              at: now,
              due_at: due
            }
          )
          environment.queue.notice_mail(person[:id], at: due) if due
        end
      end
    end
  end
end
