# frozen_string_literal: true

module AskFirst
  module App
    module Signoff
      # A receipt, for whoever holds the secret of its mail. Looking at it changes nothing.
      class ReceiptByLink
        # @param secret [String]
        # @return [Hash] JSON-ready
        # @raise [Core::NotFound] for one that was never one of ours
        def self.call(environment, secret)
          row, scope = find(environment, secret)
          scope.transaction do
            {
              client: environment.db[:workspaces].where(id: row[:workspace_id]).get(:name),
              me: environment.db[:people].where(id: row[:person_id]).get(:name),
              zone: environment.db[:workspaces].where(id: row[:workspace_id]).get(:zone),
              lines: lines(environment.db, ReceiptLines.of(scope, row[:id]))
            }
          end
        end

        # @return [Array(Hash, Store::Scope)] the receipt's row, and the scope of its person
        def self.find(environment, secret)
          digest = CreatePass.digest(secret.to_s)
          row =
            Store::Scope
              .of_secret(environment.db, digest)
              .transaction { environment.db[:receipts].where(digest: digest).first }
          raise Core::NotFound, "This receipt" unless row

          [
            row,
            Store::Scope.new(
              environment.db,
              workspace_ids: row[:workspace_id],
              person_id: row[:person_id],
              side: "client"
            )
          ]
        end

        def self.lines(db, lines)
          names = db[:people].where(id: lines.filter_map { |line| line[:by] }).select_hash(:id, :name)
          lines.map do |line|
            {
              **line.slice(:id, :text, :channels),
              wall: line[:wall]&.strftime("%Y-%m-%dT%H:%M"),
              by: names[line[:by]],
              words: line[:words],
              at: line[:given_at].iso8601,
              disowned: !line[:disowned_at].nil?
            }
          end
        end
        private_class_method :lines
      end
    end
  end
end
