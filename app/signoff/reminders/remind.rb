# frozen_string_literal: true

module AskFirst
  module App
    module Signoff
      # Tells who is to be told now that answers are missing at a client: those who are asked, at half of their time and
      # in at most one mail a day; the asker, when it is over; whoever leads the client, a while after.
      class Remind < Act
        of_process

        def call
          return unless Store::Clients::Hours.of(workspace).working?(now)

          asks = due
          waiting = WaitingOn.of(scope, asks.map { |ask| ask[:id] }, method(:post_states))
          asks.each { |ask| tell(ask, waiting.fetch(ask[:id], {})) }
        end

        private

        def due
          moment = now
          rows(:asks)
            .where(withdrawn_at: nil, leads_told_at: nil)
            .where { remind_at <= moment }
            .order(:order_no)
            .for_update
            .skip_locked
            .all
        end

        # @param waiting [Hash{String=>Array<String>}] person id => ids of the posts that wait
        def tell(ask, waiting)
          return rows(:asks).where(id: ask[:id]).update(leads_told_at: now) if waiting.empty?

          RemindPeople.call(environment, member, ask: ask, waiting: waiting)
          over(ask, waiting, :asker_told_at, [ask[:asked_by]]) if ask[:due_at] <= now
          over(ask, waiting, :leads_told_at, leads(waiting) - [ask[:asked_by]]) if ask[:escalate_at] <= now
        end

        def over(ask, waiting, column, people)
          return if ask[column]

          rows(:asks).where(id: ask[:id]).update(column => now)
          post_ids = waiting.values.flatten.uniq
          who = waiting.keys.map { |id| names.fetch(id) }.sort
          People::Notify.call(
            environment,
            member,
            person_ids: people,
            kind: "late",
            post_id: post_ids.first,
            words: sentence(ask, who, post_ids)
          )
          record(
            "late_told",
            post_id: post_ids.first,
            facts: {
              ask: ask[:id],
              waiting: who,
              told: people.filter_map { |id| names[id] }
            }
          )
        end

        def sentence(ask, who, post_ids)
          due = Core::Plan::WallTime.said(ask[:due_at], workspace[:zone])
          what = post_ids.size == 1 ? "“#{subject(post_ids.first)}”" : "#{post_ids.size} posts"
          "#{what}: the answer of #{who.join(", ")} was due #{due}."
        end

        def subject(id) = rows(:posts).where(id: id).get(:subject).then { |name| name.to_s.empty? ? "Untitled" : name }

        # Whoever may ask, release and unlock here, and sees what waits.
        def leads(waiting)
          on = rows(:adaptations).where(post_id: waiting.values.flatten.uniq, removed_at: nil)
          channels = on.select_hash_groups(:post_id, :channel_id).values
          colleagues.select { |one| Core::Permissions::Leads.hears?(one, channels) }.map(&:person_id)
        end
      end
    end
  end
end
