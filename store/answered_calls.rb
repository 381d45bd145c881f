# frozen_string_literal: true

module AskFirst
  module Store
    # What a caller was answered under a key of theirs, so that the same call is answered the same and done once.
    class AnsweredCalls
      # @param db [Sequel::Database]
      # @param caller_id [String] person or visit
      # @param key [String] theirs
      def initialize(db, caller_id, key)
        @table = db[:idempotency_keys]
        @caller = caller_id
        @key = key
      end

      # Takes the key, and forgets the caller's older ones.
      # @param call [Hash] :route and :body_digest
      # @param keep_from [Time]
      # @return [Boolean] false when it was taken before
      def first?(call, now:, keep_from:)
        table.where(caller: @caller).where { made_at < keep_from }.delete
        table.insert_conflict.returning(:key).insert(call.merge(caller: @caller, key: @key, made_at: now)).any?
      end

      # @return [Hash, nil] with :route, :body_digest, :status and :body; no status while it is being worked on
      def answer = mine.first

      def keep(status, body)
        mine.update(status: status, body: body)
      end

      def free
        mine.delete
      end

      # Unless it was answered meanwhile.
      def free_unanswered
        mine.where(status: nil).delete
      end

      private

      attr_reader :table

      def mine = table.where(caller: @caller, key: @key)
    end
  end
end
