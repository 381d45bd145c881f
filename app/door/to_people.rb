# frozen_string_literal: true

module AskFirst
  module App
    class Door
      # Members and invitations. Nobody gives or takes what they do not have themselves.
      module ToPeople
        # @param within [Boolean] whether only members may be opened who have nothing that the reader has not
        def membership(input, within: false)
          agency_only!("This member")
          require!(@act)
          row =
            Store::People::Members
              .of_workspace(scope, now)
              .find { |one| one[:membership_id] == input[:membership_id] } or raise Core::NotFound, "This member"
          require_within!(row) if within
          Opened.new(row: row)
        end

        def invitation(input)
          agency_only!("This invitation")
          require!(@act)
          row = find_with(:invitation, input[:invitation_id], "This invitation")
          require_within_channels!(row[:limited] ? row[:channel_ids].to_a : nil)
          Opened.new(row: row)
        end

        # @param row [Hash] of Store::People::Members
        def require_within!(row)
          require_within_channels!(row[:limited] ? row[:channel_ids].to_a : nil)
          require_within_abilities!(row[:role], row[:side], row[:abilities].to_a)
        end

        # @param channel_ids [Array<String>, nil] nil for all channels
        def require_within_channels!(channel_ids)
          mine = member.limited_to
          return if mine.nil? || (channel_ids && (channel_ids - mine).empty?)

          who = colleagues.select { |one| one.limited_to.nil? && one.abilities.include?("govern_people") }.map(&:name)
          raise beyond("Your own part here is limited to some channels, and this goes beyond them.", who, "channel_ids")
        end

        def require_within_abilities!(role, side, abilities)
          beyond = side == "client" ? [] : abilities - member.abilities
          return if beyond.empty?

          sentences = Core::Permissions::Abilities::SENTENCES.values_at(*beyond.first(2)).join(", ")
          who =
            colleagues
              .select { |one| (abilities - one.abilities).empty? && one.abilities.include?("govern_people") }
              .map(&:name)
          raise beyond("“#{role}” may do what you may not (#{sentences}).", who, "role_id")
        end

        private

        def beyond(sentence, who, field)
          Core::Refused.new(
            "beyond_own",
            sentence,
            field: field,
            way_on: who.empty? ? "Ask the agency's owner." : "#{who.join(", ")} can.",
            facts: {
              "who_can" => who
            }
          )
        end
      end
    end
  end
end
