# frozen_string_literal: true

module AskFirst
  module App
    module Ideas
      # Takes one mail that came to a private address for ideas. The same mail counts once. One that is for none of
      # these addresses is left to others.
      class TakeMail
        # @param incoming [Edge::Mail::Messages::Message]
        # @return [String, nil] what became of it; nil where it is for no such address
        def self.call(environment, incoming) = new(environment, incoming).call

        def initialize(environment, incoming)
          @environment = environment
          @incoming = incoming
        end

        def call
          @address = address or return
          before = scope.transaction { mails.get(:outcome) } and return before

          title = Core::Ideas::ByMail.title(incoming.subject)
          outcome = Core::Ideas::ByMail.outcome(incoming.facts, place, title)
          outcome == "kept" ? keep(title) : refuse(outcome)
          outcome
        rescue Store::Failures::Taken
          scope.transaction { mails.get(:outcome) } or raise # another process took it in the same moment
        end

        private

        attr_reader :environment, :incoming

        def address
          digests = Talk::ReplyAddress.digests(environment, incoming.for_whom)
          environment.db[:idea_addresses].where(digest: digests).first if digests.any?
        end

        def scope
          @scope ||=
            Store::Scope.new(
              environment.db,
              workspace_ids: @address[:workspace_id],
              person_id: @address[:person_id],
              side: "agency"
            )
        end

        def mails = scope.rows(:idea_mails).where(digest: Store::Database.blob(incoming.digest))

        def place
          Core::Talk::Reply::Place.new(
            email: environment.db[:people].where(id: @address[:person_id]).get(:email).to_s,
            over: member.nil?,
            recent:
              scope.transaction do
                scope.rows(:idea_mails).where(person_id: @address[:person_id], at: (environment.now - 3_600)..).count
              end
          )
        end

        # @return [Member, nil] nil when they are no member any more
        def member
          return @member if defined?(@member)

          row =
            Store::People::Members.find(environment.db, @address[:person_id], @address[:workspace_id], environment.now)
          @member = row && Member.from_row(row, from: "mail")
        end

        def keep(title) = KeepMail.call(environment, member, incoming: incoming, title: title)

        def refuse(outcome)
          process = Member.process(@address[:workspace_id], "worker")
          RefuseMail.call(environment, process, incoming: incoming, outcome: outcome, person_id: @address[:person_id])
        end
      end
    end
  end
end
