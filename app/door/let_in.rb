# frozen_string_literal: true

module AskFirst
  module App
    class Door
      # Who has been let in within the transaction under way, and how far their client is locked by it: acts inside acts
      # need neither lock nor read them again.
      class LetIn
        # @param db [Sequel::Database] in a transaction
        # @return [LetIn] of this transaction
        def self.here(db)
          db.synchronize { |connection| connection.instance_variable_get(:@ask_first_let_in) || begun(db, connection) }
        end

        def self.begun(db, connection)
          over = -> { connection.instance_variable_set(:@ask_first_let_in, nil) }
          db.after_commit(&over)
          db.after_rollback(&over)
          connection.instance_variable_set(:@ask_first_let_in, new)
        end
        private_class_method :begun

        def initialize
          @locks = {}
          @members = {}
        end

        # @param locks [Symbol, nil] :client, where the client must be locked for nobody else
        # @return [Member, nil] as they were read behind the locks
        # @raise [ArgumentError] for an act that wants the client for itself inside one that shares it: two of them
        #   would wait for each other
        def member(member, locks)
          here = @locks.fetch(member.workspace_id) { return }
          raise ArgumentError, "this act locks the client, inside one that shares it" if locks && here != locks

          @members[key(member)]
        end

        def keep(member, locks)
          @locks[member.workspace_id] ||= locks || :shared
          @members[key(member)] = member
        end

        private

        def key(member) = [member.workspace_id, member.person_id, member.ask_id, member.process]
      end
    end
  end
end
