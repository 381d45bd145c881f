# frozen_string_literal: true

module AskFirst
  module App
    module Partners
      # What the acts on a client's partners share.
      class PartnerAct < Act
        private

        def today = @today ||= Date.iso8601(Core::Plan::WallTime.at(now, workspace[:zone]).local_date)
        def there = rows(:partners).where(dropped_at: nil)
        def broadcast = announce("partners", ids: [])

        def card(row, counts = {})
          {
            **row.slice(:id, :name, :kind, :status, :contact, :link, :codes, :note, :came, :version),
            fee: row[:fee] && { minor: row[:fee], currency: row[:currency] },
            due_on: row[:due_on]&.iso8601,
            late: Core::Partners::Partner.late?(row[:status], row[:due_on], today),
            posts: counts.fetch(row[:id], 0),
            by: names[row[:made_by]],
            at: row[:made_at].iso8601
          }
        end
      end
    end
  end
end
