# frozen_string_literal: true

module AskFirst
  module Web
    # How long a session lasts and whether it takes a second factor: the strictest rule of the agencies that bind a
    # person, their own and those of the clients where they are a member. Read at most every few seconds.
    class SessionPolicy
      KEPT = 5 # seconds
      MOST = 1_000 # persons that are remembered
      DEFAULT_HOURS = 336
      Rule = Struct.new(:hours, :second_factor, keyword_init: true) { def seconds = hours * 3_600 }

      def initialize(environment)
        @environment = environment
        @rules = {}
        @lock = Mutex.new
      end

      # @param person_id [String, nil] nil while nobody is known yet
      # @return [Rule]
      def for(person_id)
        clock = Process.clock_gettime(Process::CLOCK_MONOTONIC)
        kept = @lock.synchronize { @rules[person_id] }
        return kept[0] if kept && clock - kept[1] < KEPT

        rule = read(person_id)
        @lock.synchronize do
          @rules.clear if @rules.size > MOST
          @rules[person_id] = [rule, clock]
        end
        rule
      end

      private

      def read(person_id)
        rows = Store::People::Policies.binding(@environment.db, person_id, @environment.now)
        Rule.new(
          hours: rows.map { |row| row[:session_hours] }.min || DEFAULT_HOURS,
          second_factor: rows.any? { |row| row[:second_factor_required] }
        )
      end
    end
  end
end
