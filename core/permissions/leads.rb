# frozen_string_literal: true

module AskFirst
  module Core
    module Permissions
      # A client always has somebody who may govern its people: on the agency side, on all its channels, with no end
      # date.
      module Leads
        ABILITY = "govern_people"
        WORK = %w[ask release open].freeze

        module_function

        # @param members [Array<Hash>] {side:, abilities:, limited:, access_until:} as they would be after the change
        def any?(members)
          members.any? { |one| lead?(one) }
        end

        def none?(members)
          !any?(members)
        end

        # Whoever may ask, release and unlock at a client is told what nobody else would look after.
        # @param abilities [Array<String>]
        def leads?(abilities) = (WORK - abilities).empty?

        # The same of those who see what it is about: whoever is limited to channels is told of theirs alone.
        # @param member [#abilities, #limited_to]
        # @param channels [Array<Array<String>>] ids of the channels of each post
        def hears?(member, channels)
          limits = member.limited_to
          leads?(member.abilities) && (limits.nil? || channels.all? { |ids| ids.empty? || limits.intersect?(ids) })
        end

        def lead?(one)
          one[:side] == "agency" && one[:abilities].include?(ABILITY) && !one[:limited] && one[:access_until].nil?
        end

        # @param what [String] what was about to be done, such as "ending this membership"
        def missing(what, client)
          Conflict.new(
            "no_lead_left",
            "#{what} would leave #{client} without anybody who may govern its people.",
            field: "role",
            way_on: "Make somebody else account lead there first."
          )
        end
      end
    end
  end
end
