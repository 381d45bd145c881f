# frozen_string_literal: true

module AskFirst
  module App
    # One thing that somebody can do for the agency as a whole, over all the clients where they are a member. Like
    # Act, one public `call`, one transaction.
    class AgencyAct
      # @param environment [Environment]
      # @param person [AgencyPerson]
      def self.call(environment, person, **input)
        act = new(environment, person)
        act.scope.transaction { act.call(**input) }
      end

      attr_reader :scope

      def initialize(environment, person)
        @environment = environment
        @person = person
        @scope = person.scope(environment.db)
      end

      private

      attr_reader :environment, :person

      def now
        @now ||= environment.now
      end

      def new_id
        Core::Uuid.v7(now)
      end

      def db
        environment.db
      end

      # @raise [Core::Refused] naming the rule and who can
      def require_ability!(act)
        decision = Core::Permissions::Decision.for(person, act)
        return if decision.allowed?

        owners =
          db[:people]
            .where(agency_id: person.agency_id, is_owner: true)
            .order(:name)
            .map { |row| AgencyPerson.new(person_id: row[:id], name: row[:name], abilities: %w[own set_up]) }
        Core::Permissions::Decision.for(person, act, others: owners).require!
      end

      def record(act, **facts)
        Store::Record::AgencyRows.add(db, person.agency_id, now: now, who: person.on_record, act: act, facts: facts)
      end
    end
  end
end
