# frozen_string_literal: true

module AskFirst
  module App
    module Dispatch
      # One process's marks (Store::Dispatch::RestoreDetection): made in the database, then written down outside it; and
      # look whether the database knows less than what lies there, which means that it was brought back.
      class Marking
        # The database was changed for an older one under a running process, which ends; the next one looks first.
        class BroughtBack < StandardError
        end

        # @param process [String] uuid
        # @param notices [Boolean] whether this process writes down that the database was brought back: the dispatcher
        #   does; a web process makes no marks then, so that they do not hide it
        def initialize(kit, process:, notices:)
          @kit = kit
          @process = process
          @notices = notices
        end

        # @return [Boolean] whether a mark was made
        def call
          facts, = look
          why = Core::Dispatch::BroughtBack.why(facts)
          return false unless @notices || (why.nil? && facts.server)

          notice if why
          write(db.transaction { Store::Dispatch::RestoreDetection.mark(db, @process, @kit.now) })
          # at last: whoever finds that the database has a server finds a mark outside, however many begin at once and
          # wherever one of them is killed
          Store::Dispatch::RestoreDetection.begin_here(db) if why.nil? && facts.server.nil?
          true
        end

        # A mark in a transaction of the caller's, written down outside when that is over and before anything is done
        # by it.
        # @yieldparam mark [Proc] makes it; called inside the transaction, or not at all
        # @raise [BroughtBack]
        def within
          number = nil
          found = yield(-> { number = next_mark })
          write(number) if number
          found
        end

        private

        def db = @kit.db
        def lineage = @lineage ||= Store::Dispatch::RestoreDetection.id(db)

        # What lies outside is read first: it is written after the database has it, so it is never ahead of one that
        # stayed.
        def look
          outside = @kit.mark.read
          [Store::Dispatch::RestoreDetection.facts(db, outside), outside]
        end

        # Another process may have noticed meanwhile.
        def notice
          db.transaction do
            Store::Dispatch::RestoreDetection.lock(db)
            facts, outside = look
            why = Core::Dispatch::BroughtBack.why(facts) or next
            Store::Dispatch::RestoreDetection.brought_back(
              db,
              why: why,
              process: @process,
              outside: outside,
              known_until: Store::Dispatch::RestoreDetection.known_until(db),
              now: @kit.now
            )
            SemanticLogger["RestoreDetection"].warn(
              "the database was brought back (#{why}); nothing is sent until somebody has looked"
            )
          end
        end

        def next_mark
          Store::Dispatch::RestoreDetection
            .next_mark(db, @process, @kit.now)
            .tap do |number|
              raise BroughtBack, "the database knows less than this process does" if @last && number < @last
            end
        end

        def write(number)
          @kit.mark.write(lineage, number, @kit.now)
          @last = number
        end
      end
    end
  end
end
