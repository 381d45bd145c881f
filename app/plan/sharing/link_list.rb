# frozen_string_literal: true

module AskFirst
  module App
    module Plan
      # The plan links of a client that work, without their secrets, which nobody has any more.
      class LinkList < Act
        reads :client, "share_plan"

        # @return [Array<Hash>] JSON-ready
        def call
          Store::Plan::Links.list(scope, now).map { |row| json(row) }
        end

        private

        def json(row)
          times = %i[made_at expires_at read_at].to_h { |key| [key, row[key]&.iso8601] }
          row.slice(:id, :name, :weeks, :marks, :money).merge(times, made_by: names[row[:made_by]])
        end
      end
    end
  end
end
