# frozen_string_literal: true

module AskFirst
  module App
    module Talk
      # Has those of the client's side who were asked about a post told by mail what the agency says to them there: a
      # little later, so that what is said one after the other is one mail, and what is taken back is none. Whoever is
      # named is told at once. Runs inside the act that says it.
      class TellClient < Act
        inside

        WAITS = 600 # seconds; common practice, no source

        # @param named [Array<String>] ids of people
        def call(post_id:, remark_id:, named: [])
          told = self.class.asked(scope, post_id) - [member.person_id]
          told &= named if member.side == "client" # among themselves only those who are named
          environment.db[:people].where(id: told).each { |person| tell(person, remark_id, named.include?(person[:id])) }
        end

        # @return [Array<String>] ids of the people of the client's side who were asked about it and still are
        def self.asked(scope, post_id)
          asks = scope.rows(:ask_lines).where(post_id: post_id).select(:ask_id)
          open = scope.rows(:asks).where(id: asks, room: "client", withdrawn_at: nil).select(:id)
          here = scope.rows(:memberships).where(ended_at: nil).select(:person_id)
          scope.rows(:ask_people).where(ask_id: open, person_id: here).distinct.select_order_map(:person_id)
        end

        # @return [Time, nil] when somebody is mailed what is said now; nil when they do not want it
        def self.due(person, now, zone, named: false)
          quiet = Core::People::Notices.quiet(*person.values_at(:quiet_from, :quiet_to))
          choice = named ? "at_once" : Core::People::Notices.choice(person[:notices], "talk", "client")
          wait = named ? 0 : WAITS
          Core::People::Notices.due_at(choice, now + wait, person[:zone] || zone, quiet)
        end

        private

        def tell(person, remark_id, named)
          due = self.class.due(person, now, workspace[:zone], named: named) or return
          scope.insert(:talk_told, { remark_id: remark_id, person_id: person[:id], due_at: due })
          environment.queue.talk_mail(member.workspace_id, person[:id], at: due)
        end
      end
    end
  end
end
