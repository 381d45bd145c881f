# frozen_string_literal: true

module AskFirst
  module App
    module Agency
      # People across clients and clients across people: one table, read either way. With deleted clients in their
      # days of grace.
      class People < AgencyAct
        # @return [Hash] JSON-ready
        def call
          require_ability!("agency_own")
          rows = Store::People::Members.of_workspace(scope, now)
          away = today
          slowed = slowed(rows)
          {
            people:
              rows
                .group_by { |row| row[:person_id] }
                .map { |id, mine| person_json(id, mine, away).merge(slowed: slowed.include?(id)) }
                .sort_by { |one| [one[:side], one[:name]] },
            clients: clients(rows),
            pending: pending,
            twice: twice
          }
        end

        private

        def person_json(id, mine, away)
          first = mine.first
          {
            id: id,
            name: first[:name],
            email: first[:email],
            side: mine.map { |row| row[:side] }.min,
            owner: first[:is_owner],
            away_until: away[id]&.iso8601,
            places:
              mine.map do |row|
                {
                  workspace_id: row[:workspace_id],
                  membership_id: row[:membership_id],
                  role: row[:role],
                  limited: row[:limited],
                  until: row[:access_until]&.iso8601,
                  seen_at: row[:seen_at]&.iso8601
                }
              end
          }
        end

        # Who has so many wrong tries to sign in of late that they may have to wait.
        # @return [Array<String>] person ids
        def slowed(rows)
          digests = rows.to_h { |row| [App::People::SignInName.digest(environment, row[:email]), row[:person_id]] }
          digests.values_at(*Store::People::SignInTries.many(db, digests.keys, now))
        end

        def today
          day = Core::Plan::WallTime.at(now, db[:agencies].where(id: person.agency_id).get(:zone)).local_date
          db[:absences].where { (from_date <= day) & (until_date >= day) }.select_hash(:person_id, :until_date)
        end

        def clients(rows)
          posts = Store::Counts.by(scope.rows(:posts), :workspace_id)
          here =
            rows
              .group_by { |row| row[:workspace_id] }
              .values
              .map do |members|
                first = members.first
                {
                  id: first[:workspace_id],
                  name: first[:workspace_name],
                  initials: first[:initials],
                  edge: first[:edge],
                  zone: first[:workspace_zone],
                  posts: posts.fetch(first[:workspace_id], 0),
                  state: state(first),
                  gone_at: nil,
                  leads: members.select { |one| Core::Permissions::Leads.lead?(one) }.map { |one| one[:name] }
                }
              end
          (here + deleted).sort_by { |one| one[:name] }
        end

        def state(row)
          return "archived" if row[:archived_at]

          row[:setup_step] ? "setting_up" : "open"
        end

        def deleted
          rows =
            Store::Scope
              .of_person(db, person.person_id)
              .transaction { db[:workspaces].where(agency_id: person.agency_id).exclude(deleted_at: nil).all }
          rows.map do |row|
            {
              id: row[:id],
              name: row[:name],
              initials: row[:initials],
              edge: row[:edge],
              zone: row[:zone],
              posts: 0,
              state: "deleted",
              leads: [],
              gone_at: (row[:deleted_at] + (Clients::Delete::GRACE_DAYS * 86_400)).iso8601
            }
          end
        end

        def pending
          Store::Counts.by(scope.rows(:invitations).where(accepted_at: nil, revoked_at: nil), :workspace_id)
        end

        # Accounts that two clients have connected: only owners see that, and seldom is it meant.
        def twice
          Store::Channels::Accounts.of_several(scope)
        end
      end
    end
  end
end
