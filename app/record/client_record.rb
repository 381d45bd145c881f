# frozen_string_literal: true

module AskFirst
  module App
    module Record
      # The record of one or many clients, newest first, narrowed by person, act and day.
      class ClientRecord
        PAGE = 100

        # @param scope [Store::Scope]
        # @param before [String, nil] keyset cursor: the last row's order number
        # @return [Hash] JSON-ready
        def self.call(environment, scope, before: nil, person: nil, act: nil, from: nil, to: nil, limit: PAGE)
          scope.transaction { new(environment, scope).call(before, person, act, from, to, limit) }
        end

        def initialize(environment, scope)
          @environment = environment
          @scope = scope
        end

        def call(before, person, act, from, to, limit)
          return { rows: [], next: nil } if person && !Core::Uuid::FORMAT.match?(person)

          filters = {
            person: person,
            act: act,
            from: day(from, "from"),
            to: day(to, "to"),
            before: Paging.number(before)
          }.compact
          page = Store::Record::Rows.newest(@scope, limit + 1, **filters)
          shown = page.first(limit)
          { rows: json(shown), next: page.size > limit ? shown.last[:order_no].to_s : nil }
        end

        private

        def day(text, field)
          date = text && Core::Plan::Iso.day(text, @environment.now, field: field)
          date && Time.utc(date.year, date.month, date.day)
        end

        # Of those that were discarded, too.
        def subjects(ids)
          found = @scope.rows(:posts).where(id: ids).select_hash(:id, :subject)
          found.merge(Store::Posts::Discarded.subjects(@scope, ids - found.keys))
        end

        def json(rows)
          names =
            @environment.db[:people].where(id: rows.filter_map { |row| row[:person_id] }.uniq).select_hash(:id, :name)
          subjects = subjects(rows.filter_map { |row| row[:post_id] }.uniq)
          channels = Facts.names(@scope)
          rows.map do |row|
            {
              id: row[:id],
              workspace_id: row[:workspace_id],
              at: row[:at].iso8601(3),
              who: row[:person_id] ? names[row[:person_id]] : row[:process],
              by_pass: !row[:pass_id].nil?,
              from: row[:from_address],
              act: row[:act],
              post_id: row[:post_id],
              subject: subjects[row[:post_id]],
              revision: nil,
              facts: Facts.of(row, channels)
            }
          end
        end
      end
    end
  end
end
