# frozen_string_literal: true

module AskFirst
  module App
    module People
      # Changes a member's role, title, channels or last day. What that would leave lying is shown before; it can be
      # handed over.
      class UpdateMember < MembershipChange
        opens :membership, "change_member", locks: :client, within: true

        # @param version [Integer] the version that the page showed
        # @param to [String, nil] person id who takes over what the member may no longer do
        # @return [Integer] the new version
        def call(membership_id:, version:, role_id:, title: "", channel_ids: nil, until_date: nil, to: nil)
          raise changed(row) if row[:version] != version

          role = role(role_id, row[:side])
          ids = channels(channel_ids)
          require_within_own!(role, ids)
          ends = access_until(until_date)
          keep_a_lead!(
            row,
            { side: row[:side], abilities: role[:abilities].to_a, limited: !ids.nil?, access_until: ends },
            "This change"
          )
          keep_change(role, Core::Posts::Text.line(title, field: "title", limit: Core::Lengths::TITLE), ids, ends)
          asked = asked_of(row[:person_id])
          HandOver.call(environment, member, from: row[:person_id], to: to, what: %w[tasks asks steps]) if to
          Clients::Publisher.keep_fitting(environment, scope)
          refresh_stage(asked) if asked.any?
          announce("people", ids: [])
          version + 1
        end

        private

        def changed(row)
          Core::Changed.new(
            "member_changed",
            "what #{row[:name]} may do",
            field: "role_id",
            way_on: "Look at it as it is now, then change it.",
            theirs: {
              "role_id" => row[:role_id],
              "title" => row[:title],
              "channel_ids" => row[:limited] ? row[:channel_ids].to_a : nil
            },
            version: row[:version]
          )
        end

        def keep_change(role, title, ids, ends)
          rows(:memberships).where(id: row[:membership_id]).update(
            role_id: role[:id],
            title: title,
            limited: !ids.nil?,
            access_until: ends,
            version: row[:version] + 1
          )
          rows(:membership_channels).where(membership_id: row[:membership_id]).delete
          scope.insert(
            :membership_channels,
            *Array(ids).map { |id| { membership_id: row[:membership_id], channel_id: id } }
          )
          before = {
            role: row[:role],
            title: row[:title],
            channels: row[:limited] ? row[:channel_ids].size : nil,
            until: row[:access_until]
          }
          record(
            "member_changed",
            facts: {
              person: row[:name],
              before: before,
              after: {
                role: role[:name],
                title: title,
                channels: ids&.size,
                until: ends
              }
            }
          )
        end
      end
    end
  end
end
