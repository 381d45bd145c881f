# frozen_string_literal: true

module AskFirst
  module Jobs
    # Sends what is due. One thread looks at the rows and claims, many at once; senders each make one create after the
    # other; one keeps what came of them, together. What takes long (files that go up, networks that are asked) is
    # done beside it.
    #
    # Nothing is handed from here to there but what lies in the database: this process may die at any moment, and
    # another one, with the same rows before it, goes on.
    class Dispatching
      SENDERS = 8
      HELPERS = 4
      # claimed and not begun at most, so that what waits here is begun within its lease, or given to others by it
      BACKLOG = 64
      BATCH = 48 # of one client in one transaction, when there is much
      SMALL = 8 # when there is little, so that the first goes out at once
      LOOK_AT = 192 # rows
      LOOK_EVERY = 0.05 # seconds

      # @param environment [App::Environment]
      # @param sender [App::Dispatch::Sender]
      def initialize(environment, sender)
        @environment = environment
        @sender = sender
        @to_send = ::Queue.new
        @to_help = ::Queue.new
        @ended = ::Queue.new
        @under_way = ::Set.new # ids of the showings and channels that this process is at
        @lock = Mutex.new
        @stop = false
      end

      # Runs until `stop`, then ends what was begun.
      def run
        working = Array.new(SENDERS) { worker { send_next } } + Array.new(HELPERS) { worker { help_next } }
        keeping = worker { keep_next }
        until @stop
          found = look
          sleep(LOOK_EVERY) unless found
        end
        [@to_send, @to_help].each(&:close)
        working.each(&:join)
        @ended.close
        keeping.join
      end

      def stop
        @stop = true
      end

      # One look at the rows: claims what can be sent, hands on what has to be done before or looked up.
      # @return [Boolean] whether anything was claimed
      def look
        room = BACKLOG - @to_send.size
        return false unless room.positive?

        rows =
          Store::Dispatch::Due.rows(
            @environment.db,
            @environment.now,
            limit: LOOK_AT,
            except: @lock.synchronize { @under_way.to_a }
          )
        planned, others = rows.partition { |row| row[:state] == "planned" }
        others.each { |row| help(row, :follow_up) }
        claim_some(planned, room).positive?
      end

      # What will be due soon, so that little is left to do at the minute; and what a sender that is gone has left.
      def look_ahead
        till = @environment.now + App::Dispatch::Prepare::AHEAD
        Store::Dispatch::Due
          .to_prepare(@environment.db, @environment.now, till, limit: 50)
          .each { |row| help(row, :prepare) }
        Store::Channels::Reached
          .with_old_cards(@environment.db, @environment.now, till, App::Dispatch::Prepare::CARD_FRESH)
          .each { |row| help(row, :fresh_card) }
        Store::Dispatch::Due
          .without_sender(@environment.db, @environment.now - Core::Dispatch::Lease::GONE, limit: 50)
          .each { |row| help(row, :follow_up) }
        Store::Dispatch::Unconfirmed.to_ask(@environment.db, @environment.now, limit: 50).each { |row| help(row, :ask) }
      end

      private

      def worker(&block)
        Thread.new do
          Thread.current.abort_on_exception = true # the database is away: the keeper starts us again
          nil while block.call
        end
      end

      # In no order, so that two processes before the same rows reach for different ones.
      # @return [Integer] how many were claimed
      def claim_some(planned, room)
        planned
          .shuffle
          .group_by { |row| row[:workspace_id] }
          .sum do |workspace_id, same|
            batch = same.first([room, batch_of(planned.size)].min)
            batch.empty? ? 0 : claim(workspace_id, batch).tap { |count| room -= count }
          end
      end

      def batch_of(seen)
        seen >= LOOK_AT ? BATCH : (seen / 6).clamp(SMALL, BATCH)
      end

      # @return [Integer] how many were claimed
      def claim(workspace_id, batch)
        taken = claimed(workspace_id, batch)
        taken.unprepared.each { |row| help(row, :prepare) }
        taken.claimed.each do |one|
          mark(one.row[:id])
          @to_send << one
        end
        taken.claimed.size
      end

      # Where one of them breaks the whole, each is looked at by itself, so that it holds up no other.
      def claimed(workspace_id, batch)
        App::Dispatch::Claim.call(@environment, process(workspace_id), showings: batch, sender: @sender)
      rescue *Store::Failures::AWAY, App::Dispatch::Watermarking::BroughtBack
        raise
      rescue StandardError => e
        one_by_one(workspace_id, batch, e)
      end

      def one_by_one(workspace_id, batch, error)
        if batch.size == 1
          App::Dispatch::Broken.call(@environment, process(workspace_id), showing: batch.first, error: error)
          return App::Dispatch::Claim::NOTHING
        end

        parts = batch.map { |row| claimed(workspace_id, [row]) }
        App::Dispatch::Claim::Taken.new(claimed: parts.flat_map(&:claimed), unprepared: parts.flat_map(&:unprepared))
      end

      def send_next
        one = @to_send.pop or return false
        @ended << App::Dispatch::Send.call(@environment, one, @sender)
        true
      end

      # Whatever has come in meanwhile is kept together.
      def keep_next
        first = @ended.pop or return false
        ended = [first]
        ended << @ended.pop until @ended.empty? || ended.size >= BATCH
        ended
          .group_by { |one| one.claimed.workspace_id }
          .each { |workspace_id, same| App::Dispatch::Keep.call(@environment, process(workspace_id), ended: same) }
        ended.each { |one| unmark(one.row[:id]) }
        true
      end

      def help(row, what)
        @to_help << [row, what] if mark(row[:id])
      end

      def help_next
        row, what = @to_help.pop
        return false if row.nil?

        helping(row, what)
        unmark(row[:id])
        true
      end

      def helping(row, what)
        member = process(row[:workspace_id])
        case what
        when :prepare
          App::Dispatch::Prepare.call(@environment, member, showing: row)
        when :fresh_card
          App::Dispatch::FreshCard.call(
            @environment,
            member,
            channel_id: row[:id],
            older_than: App::Dispatch::Prepare::CARD_FRESH
          )
        when :ask
          App::Dispatch::AskUnconfirmed.call(@environment, member, showing_id: row[:id])
        else
          App::Dispatch::Advance.call(@environment, member, showing_id: row[:id], sender: @sender)
        end
      rescue Core::Error => e
        SemanticLogger["Dispatching"].info("not now: #{e.message}")
      rescue *Store::Failures::AWAY
        raise
      rescue StandardError => e
        App::Dispatch::Broken.call(@environment, member, showing: row, error: e) unless what == :fresh_card
      end

      def process(workspace_id)
        App::Member.process(workspace_id, "dispatcher")
      end

      # @return [Boolean] false when this process is at it already
      def mark(what)
        @lock.synchronize { !@under_way.add?(what).nil? }
      end

      def unmark(what)
        @lock.synchronize { @under_way.delete(what) }
      end
    end
  end
end
