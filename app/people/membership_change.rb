# frozen_string_literal: true

module AskFirst
  module App
    module People
      # What changing and ending a membership have in common: keeping a lead, and giving nothing that one has not.
      class MembershipChange < Act
        private

        # @param after [Hash, nil] what the membership becomes; nil when it ends
        def keep_a_lead!(row, after, what)
          others =
            Store::People::Members.of_workspace(scope, now).reject { |one| one[:membership_id] == row[:membership_id] }
          return if Core::Permissions::Leads.any?(others + [after].compact)
          return unless Core::Permissions::Leads.lead?(row)

          raise Core::Permissions::Leads.missing(what, member.workspace_name)
        end

        # Posts of which the member is asked: whether somebody can still answer there hangs on it.
        # @return [Array<String>] ids
        def asked_of(person_id)
          asks = rows(:ask_people).where(person_id: person_id).select(:ask_id)
          rows(:ask_lines).where(ask_id: asks, ended_at: nil).distinct.select_map(:post_id)
        end

        def role(role_id, side)
          found =
            Core::Uuid::FORMAT.match?(role_id.to_s) &&
              environment.db[:roles].where(id: role_id, agency_id: workspace[:agency_id]).first
          unless found
            raise Core::Invalid.new(
                    "no_such_role",
                    "There is no such role.",
                    field: "role_id",
                    way_on: "Choose one from the list."
                  )
          end
          if side && found[:side] != side
            raise Core::Invalid.new(
                    "other_side",
                    "A member never changes sides: what the #{side} side may see differs for good.",
                    field: "role_id",
                    way_on: "Choose a role of their side."
                  )
          end

          found
        end

        # @param ids [Array<String>, nil] nil for all channels
        # @return [Array<String>, nil]
        def channels(ids)
          return if ids.nil?

          wanted = rows(:channels).where(id: ids.select { |id| Core::Uuid::FORMAT.match?(id.to_s) })
          wanted = wanted.where(id: member.limited_to) if member.limited_to
          known = wanted.select_map(:id)
          if known.size < ids.uniq.size || ids.empty?
            raise Core::Invalid.new(
                    "no_such_channel",
                    "Choose at least one channel of this client, or all.",
                    field: "channel_ids"
                  )
          end

          known
        end

        # @param date [String, nil] last day of access, "2026-12-31", in the client's zone
        # @return [Time, nil] the moment when it ends
        def access_until(date)
          return if date.nil? || date == ""

          day = Core::Plan::Iso.day(date, now, field: "until") + 1
          at = Core::Plan::WallTime.parse("#{day.iso8601}T00:00", member.zone, field: "until").at
          if at <= now
            raise Core::Invalid.new(
                    "until_past",
                    "The last day of access has passed already.",
                    field: "until",
                    way_on: "Choose a later day, or end the access now."
                  )
          end

          at
        end

        # Nobody gives what they do not have themselves.
        # @param channel_ids [Array<String>, nil] nil for all
        def require_within_own!(role, channel_ids)
          door.require_within_channels!(channel_ids)
          door.require_within_abilities!(role[:name], role[:side], role[:abilities].to_a)
        end
      end
    end
  end
end
