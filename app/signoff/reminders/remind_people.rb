# frozen_string_literal: true

module AskFirst
  module App
    module Signoff
      # Reminds those whose answer is missing on one ask. Somebody of the client gets one mail a day with all that waits
      # for them; a colleague is told as they like to be told.
      class RemindPeople < Act
        inside

        # @param ask [Hash] row
        # @param waiting [Hash{String=>Array<String>}] person id => ids of the posts that wait
        # @param again [Boolean] also those who were reminded of it before: somebody nudges them
        # @return [Array<String>] ids of those who are reminded now
        def call(ask:, waiting:, again: false)
          before = rows(:ask_people).where(ask_id: ask[:id]).exclude(reminded_at: nil).select_map(:person_id)
          chosen = Core::Signoff::Reminder.people(waiting.keys, before, again: again)
          @covers_all = Core::Signoff::Reminder.covers_all?(ask[:room])
          reminded = chosen.select { |person| @covers_all ? mail(person) : tell(ask, person, waiting[person]) }
          told(ask, reminded)
          people = { ask: ask[:id], people: reminded.map { |id| names[id] } }
          waiting.values_at(*reminded).flatten.uniq.each { |post| record("reminded", post_id: post, facts: people) }
          reminded
        end

        private

        # The mail to somebody of the client says all that waits for them, so none of it is still to be said.
        def told(ask, people)
          mine = rows(:ask_people).where(person_id: people)
          mine = mine.where(ask_id: ask[:id]) unless @covers_all
          mine.update(reminded_at: now)
        end

        # The mail says all that waits for that person, so the day has no need of another.
        def mail(person)
          day = Core::Plan::WallTime.at(now, workspace[:zone]).wall.to_date
          sent = { person_id: person, day: day, at: now, nudged_by: member.person_id }
          fresh =
            scope.db[:reminder_mails]
              .insert_conflict
              .returning(:day)
              .insert(sent.merge(workspace_id: member.workspace_id))
          return false if fresh.empty?

          environment.queue.reminder_mail(member.workspace_id, person, at: now)
          true
        end

        def tell(ask, person, post_ids)
          subject = rows(:posts).where(id: post_ids.first).get(:subject)
          what = post_ids.size == 1 ? "“#{subject}”" : "#{post_ids.size} posts"
          People::Notify.call(
            environment,
            member,
            person_ids: [person],
            kind: "asked",
            post_id: post_ids.first,
            words: "#{names[ask[:asked_by]]} still waits for your yes to #{what}."
          )
          true
        end
      end
    end
  end
end
