# frozen_string_literal: true

module AskFirst
  module App
    module Dispatch
      # What people see of a database that was brought back: what is known of it, and what waits for their word.
      module Returned
        PAGE = 100
        WHY = {
          "restored" => "The database was restored from a backup.",
          "other_server" => "The database lies on another server than before.",
          "older" => "The database is an older state of itself.",
          "no_watermark" =>
            "The watermark that is kept beside the database is missing, so it may be an older state of itself."
        }.freeze

        module_function

        # @param scope [Store::Scope] of the agency side
        # @return [Hash] :returned (nil when there is nothing to say) and :unconfirmed
        def of(environment, scope)
          count = Store::Dispatch::Unconfirmed.waiting(scope).count
          found = last(environment, scope)
          found = nil if found && found[:looked_at] && count.zero?
          {
            returned: found && json(environment, scope, found),
            unconfirmed: {
              count: count,
              rows: count.zero? ? [] : rows(environment, scope)
            }
          }
        end

        # @return [String, nil] one sentence for the Desk
        def alarm(environment, scope)
          found = last(environment, scope)
          return if found.nil?
          if found[:looked_at].nil?
            return(
              "#{WHY.fetch(found[:why])} What was done after #{time(found[:known_until])} is not in it. Nothing is " \
                "sent until an owner has looked at Dispatch."
            )
          end

          count = Store::Dispatch::Unconfirmed.waiting(scope).count
          return if count.zero?

          who = count == 1 ? "One post waits" : "#{count} posts wait"
          "#{who} in Dispatch for somebody to say whether #{count == 1 ? "it" : "each"} may still go out: the " \
            "database was brought back from a backup."
        end

        def last(environment, scope)
          agency = environment.db[:workspaces].where(id: scope.workspace_ids).get(:agency_id)
          agency && Store::Dispatch::RestoreDetection.last_return(environment.db, agency)
        end

        def json(environment, scope, found)
          {
            why: WHY.fetch(found[:why]),
            known_until: found[:known_until]&.iso8601,
            noticed_at: found[:noticed_at].iso8601,
            looked_at: found[:looked_at]&.iso8601,
            looked_by: found[:looked_by] && environment.db[:people].where(id: found[:looked_by]).get(:name),
            asking: Store::Posts::Visible.showings(scope, scope.rows(:showings)).exclude(ask_at: nil).count
          }
        end

        def rows(environment, scope)
          Store::Dispatch::Log.new(scope).unconfirmed(PAGE).map { |row| row_json(environment, row) }
        end

        def row_json(environment, row)
          late = row[:state] == "planned" && Core::Dispatch::Patience.too_late?(row[:at], environment.now)
          row.except(:ask_at).merge(at: row[:at].iso8601, asking: !row[:ask_at].nil?, late: late)
        end

        def time(at)
          at ? "#{at.utc.strftime("%a %-d %b %H:%M")} UTC" : "the backup"
        end
        private_class_method :last, :json, :rows, :row_json, :time
      end
    end
  end
end
