# frozen_string_literal: true

module AskFirst
  module App
    module Agency
      # What a person was told, over all of their clients: the newest first, with what is not read yet. The same that
      # comes by mail, as far as they want it there.
      class Notices
        SHOWN = 60

        # @param scope [Store::Scope] over one or many workspaces of the agency side
        # @return [Hash] JSON-ready
        def self.call(scope) = scope.transaction { new(scope).call }

        # @return [Integer] how many are not read yet
        def self.unread(scope) = new(scope).mine.where(read_at: nil).count

        # @param ids [Array<String>, nil] nil for all
        def self.read(environment, scope, ids)
          scope.transaction do
            unread = new(scope).mine.where(read_at: nil)
            unread = unread.where(id: ids.grep(Core::Uuid::FORMAT)) if ids
            unread.update(read_at: environment.now)
          end
        end

        def initialize(scope)
          @scope = scope
        end

        # @return [Sequel::Dataset]
        def mine = Store::Agency::NoticeRows.of(@scope)

        def call
          shown = Store::Agency::NoticeRows.newest(@scope, SHOWN)
          { unread: mine.where(read_at: nil).count, notices: shown.map { |row| json(row) } }
        end

        private

        def clients = @clients ||= @scope.db[:workspaces].where(id: @scope.workspace_ids).select_hash(:id, :name)

        def json(row)
          {
            **row.slice(:id, :workspace_id, :kind, :words, :post_id, :subject),
            client: clients[row[:workspace_id]],
            at: row[:at].iso8601,
            read: !row[:read_at].nil?
          }
        end
      end
    end
  end
end
