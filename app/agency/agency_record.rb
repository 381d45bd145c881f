# frozen_string_literal: true

module AskFirst
  module App
    module Agency
      # The record across clients and of the agency itself, narrowed, paged, or handed out whole.
      class AgencyRecord < AgencyAct
        MOST = 20_000 # rows in one export

        # @param of [String] "clients" or "agency"
        # @return [Hash] JSON-ready {rows:, next:}
        def call(of: "clients", workspace: nil, limit: Record::ClientRecord::PAGE, **filters)
          require_ability!("agency_own")
          return own(filters[:before], limit) if of == "agency"

          Record::ClientRecord.call(environment, narrowed(workspace), **filters, limit: limit)
        end

        private

        def narrowed(workspace)
          return scope if workspace.nil?
          raise Core::NotFound, "This client" unless person.workspace_ids.include?(workspace)

          Store::Scope.new(db, workspace_ids: workspace, person_id: person.person_id, side: "agency")
        end

        def own(before, limit)
          rows = db[:agency_record].where(agency_id: person.agency_id).reverse(:order_no)
          last = Paging.number(before)
          rows = rows.where { order_no < last } if last
          page = rows.limit(limit + 1).all
          names = db[:people].where(id: page.filter_map { |row| row[:person_id] }.uniq).select_hash(:id, :name)
          shown =
            page
              .first(limit)
              .map do |row|
                {
                  id: row[:id],
                  workspace_id: nil,
                  at: row[:at].iso8601(3),
                  who: row[:person_id] ? names[row[:person_id]] : row[:process],
                  by_pass: false,
                  from: row[:from_address],
                  act: row[:act],
                  post_id: nil,
                  subject: nil,
                  revision: nil,
                  facts: row[:facts]
                }
              end
          { rows: shown, next: page.size > limit ? page[limit - 1][:order_no].to_s : nil }
        end
      end
    end
  end
end
