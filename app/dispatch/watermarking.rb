# frozen_string_literal: true

module AskFirst
  module App
    module Dispatch
      # One process's watermarks (Store::Dispatch::RestoreDetection): made in the database, then written down outside
      # it; and look whether the database knows less than what lies there, which means that it was brought back.
      class Watermarking
        # The database was changed for an older one under a running process, which ends; the next one looks first.
        class BroughtBack < StandardError
        end

        # @param process [String] uuid
        # @param notices [Boolean] whether this process writes down that the database was brought back: the dispatcher
        #   does; a web process makes no watermarks then, so that they do not hide it
        def initialize(environment, process:, notices:)
          @environment = environment
          @process = process
          @notices = notices
        end

        # @return [Boolean] whether a watermark was made
        def call
          facts, = look
          why = Core::Dispatch::BroughtBack.why(facts)
          return false unless @notices || (why.nil? && facts.server)

          notice if why
          write(db.transaction { Store::Dispatch::RestoreDetection.watermark(db, @process, @environment.now) })
          # at last: whoever finds that the database has a server finds a watermark outside, however many begin at once
          # and wherever one of them is killed
          Store::Dispatch::RestoreDetection.begin_here(db) if why.nil? && facts.server.nil?
          true
        end

        # A watermark in a transaction of the caller's, written down outside when that is over and before anything is
        # done by it.
        # @yieldparam watermark [Proc] makes it; called inside the transaction, or not at all
        # @raise [BroughtBack]
        def within
          number = nil
          found = yield(-> { number = next_watermark })
          write(number) if number
          found
        end

        private

        def db = @environment.db
        def lineage = @lineage ||= Store::Dispatch::RestoreDetection.id(db)

        # What lies outside is read first: it is written after the database has it, so it is never ahead of one that
        # stayed.
        def look
          outside = @environment.watermark.read
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
              now: @environment.now
            )
            SemanticLogger["RestoreDetection"].warn(
              "the database was brought back (#{why}); nothing is sent until somebody has looked"
            )
          end
        end

        def next_watermark
          Store::Dispatch::RestoreDetection
            .next_watermark(db, @process, @environment.now)
            .tap do |number|
              raise BroughtBack, "the database knows less than this process does" if @last && number < @last
            end
        end

        def write(number)
          @environment.watermark.write(lineage, number, @environment.now)
          @last = number
        end
      end
    end
  end
end
