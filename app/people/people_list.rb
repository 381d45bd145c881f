# frozen_string_literal: true

module AskFirst
  module App
    module People
      # Everybody of a client: members of both sides with what their role gives them, and who is invited.
      class PeopleList < Act
        reads :client, "see_people"

        # @return [Hash] JSON-ready
        def call
          {
            people: members.map { |row| person(row) },
            invitations: invitations,
            roles: roles,
            channels: channels,
            can: Permissions::Capabilities.of(member, others: members.map { |row| Member.from_row(row) })
          }
        end

        private

        def members
          @members ||= Store::People::Members.of_workspace(scope, now)
        end

        def person(row)
          {
            id: row[:membership_id],
            person_id: row[:person_id],
            name: row[:name],
            email: row[:email],
            side: row[:side],
            role: row[:role],
            role_id: row[:role_id],
            title: row[:title],
            since: row[:since].iso8601,
            until: date(row[:access_until]),
            channel_ids: row[:limited] ? channels_of(row) : nil,
            shares: shares(row),
            seen_at: row[:seen_at]&.iso8601,
            tasks: open_tasks.fetch(row[:person_id], 0),
            away_until: away[row[:person_id]],
            picture: !row[:picture].nil?,
            version: row[:version],
            me: row[:person_id] == member.person_id
          }
        end

        # As far as the reader may know of them.
        def channels_of(row)
          member.limited_to ? row[:channel_ids].to_a & member.limited_to : row[:channel_ids].to_a
        end

        def shares(row)
          abilities = Member.from_row(row).abilities
          Core::Permissions::Abilities::GROUPS.keys.to_h do |group|
            [group, Core::Permissions::Abilities.share(abilities, group, row[:side])]
          end
        end

        # The last day of access, in the client's zone.
        def date(instant)
          instant && Core::Plan::WallTime.at(instant - 1, member.zone).local_date
        end

        def open_tasks
          @open_tasks ||= Store::Counts.by(rows(:tasks).where(done_at: nil), :person_id)
        end

        def away
          @away ||=
            Store::People::Absences
              .today(scope, members.map { |row| row[:person_id] }, now, member.zone)
              .transform_values { |row| row[:until_date].iso8601 }
        end

        # Only the address: what is shown is the same whether the person is known or not.
        def invitations
          return [] unless Core::Permissions::Decision.for(member, "invite").allowed?

          limited = rows(:invitation_channels).select_hash_groups(:invitation_id, :channel_id)
          open = rows(:invitations).where(accepted_at: nil, revoked_at: nil).order(:invited_at).all
          open =
            open.select do |row|
              row[:limited] && (limited.fetch(row[:id], []) - member.limited_to).empty?
            end if member.limited_to
          open.map do |row|
            {
              id: row[:id],
              email: row[:email],
              side: row[:side],
              role: role_names[row[:role_id]],
              title: row[:title],
              invited_at: row[:invited_at].iso8601,
              invited_by: names[row[:invited_by]],
              expires_at: row[:expires_at].iso8601,
              over: row[:expires_at] <= now,
              channel_ids: row[:limited] ? limited.fetch(row[:id], []) : nil
            }
          end
        end

        def role_rows
          @role_rows ||= environment.db[:roles].where(agency_id: workspace[:agency_id]).order(:side, :name).all
        end

        def role_names
          @role_names ||= role_rows.to_h { |row| [row[:id], row[:name]] }
        end

        def roles
          role_rows.map { |row| { id: row[:id], name: row[:name], side: row[:side] } }
        end

        def channels
          here = rows(:channels).where(archived_at: nil)
          here = here.where(id: member.limited_to) if member.limited_to
          here.order(:position).map { |row| row.slice(:id, :name, :network, :initials) }
        end
      end
    end
  end
end
