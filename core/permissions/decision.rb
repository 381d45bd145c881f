# frozen_string_literal: true

module AskFirst
  module Core
    module Permissions
      # One function decides what a person may do: for the API, for what the interface shows as off, for exports and
      # live updates. Allowed, or refused with the rule and who could.
      #
      # A member is anything with #person_id, #side, #abilities, #limited_to (channel ids, or nil for all), #archived
      # (whether the client is) and #looking (true while somebody only looks as this member).
      class Decision
        Refusal = Struct.new(:code, :rule, :way_on, keyword_init: true)
        # the kind of error that a refusal is raised as
        RAISES = { "sealed" => Conflict, "too_late" => Over }.freeze

        class << self
          # @param act [String] a key of Acts::TABLE
          # @param on [Touched] what it would touch
          # @param others [Array] the other members, to say who can
          def for(member, act, on: Touched::NOTHING, others: [])
            refusal = refusal(member, act, on) or return new(act, nil, [], on)
            who = %w[archived looking too_late].include?(refusal.code) ? [] : who_can(refusal, act, on, others)
            new(act, refusal, who.map(&:name).uniq, on)
          end

          private

          # The rules in their order: the first that refuses is the one that is named.
          def refusal(member, act, on)
            looking(member, act) || archived(member, act) || ability(member, act, on) || channels(member, act, on) ||
              asked(member, act, on) || out(on) || going(on) || sealed(act, on)
          end

          # What is sealed is opened by whoever may open; everything else is done by whoever may do it.
          def who_can(refusal, act, on, others)
            return(
              others.select { |other| refusal(other, "open", on.dup.tap { |same| same.sealed = nil }).nil? }
            ) if refusal.code == "sealed"

            others.select { |other| refusal(other, act, on).nil? }
          end

          def looking(member, act)
            return unless member.looking && !Acts.fetch(act).reads

            Refusal.new(
              code: "looking",
              rule: "You are only looking as #{member.name}; nothing can be changed like this.",
              way_on: "Stop looking first."
            )
          end

          def archived(member, act)
            entry = Acts.fetch(act)
            return if !member.archived || entry.reads || entry.archive

            Refusal.new(
              code: "archived",
              rule: "This client is archived and can only be read.",
              way_on: "Take it out of the archive first."
            )
          end

          def ability(member, act, on)
            needed = Acts.abilities(act, on.own?(member.person_id))
            held = member.abilities
            # no edit of a role lifts the client side's ceiling
            held &= Abilities::CLIENT_CEILING if member.side == "client"
            return if held.intersect?(needed)

            Refusal.new(
              code: "not_yours",
              rule: "Your role here cannot #{needed.map { |one| Abilities::EVERY_SENTENCE.fetch(one) }.join(" or ")}."
            )
          end

          def channels(member, act, on)
            return if member.limited_to.nil?
            if Acts.fetch(act).whole
              return(
                Refusal.new(
                  code: "other_channel",
                  rule: "This concerns the whole client, and your part here is limited to some channels."
                )
              )
            end
            return if on.channel_ids.nil? || (on.channel_ids - member.limited_to).empty?

            Refusal.new(code: "other_channel", rule: "Your part here is limited to other channels.")
          end

          def asked(member, act, on)
            return unless Acts.fetch(act).asked && !(on.asked || []).include?(member.person_id)

            Refusal.new(code: "not_asked", rule: "You are not among those who are asked here.")
          end

          def out(on)
            return if (on.out || []).empty?

            Refusal.new(
              code: "too_late",
              rule: "#{list(on.out)} #{are(on.out)} out; what went there can no longer be changed here.",
              way_on: "Copy it into a new post, or change it at the network."
            )
          end

          def going(on)
            return if (on.going || []).empty?

            Refusal.new(
              code: "too_late",
              rule: "Too late: #{list(on.going)} #{are(on.going)} being sent, exactly as it stands.",
              way_on: "Copy it into a new post, or wait until Dispatch says how it ended."
            )
          end

          def sealed(act, on)
            return if !Acts.fetch(act).unsealed || (on.sealed || []).empty?

            Refusal.new(
              code: "sealed",
              rule: "#{list(on.sealed)} #{are(on.sealed)} locked: somebody was asked about it exactly as it stands.",
              way_on: "Unlock it; you are told first what that costs."
            )
          end

          def list(names) = names.size < 3 ? names.join(" and ") : "#{names[0...-1].join(", ")} and #{names.last}"
          def are(names) = names.size == 1 ? "is" : "are"
        end

        attr_reader :who_can

        def initialize(act, refusal, who_can, touched)
          @act = act
          @refusal = refusal
          @who_can = who_can
          @touched = touched
        end

        def allowed? = @refusal.nil?
        def rule = @refusal&.rule
        def code = @refusal&.code

        # @raise [Refused, Conflict, Over]
        def require!
          return if allowed?

          raise RAISES.fetch(code, Refused).new(
                  code,
                  rule,
                  field: @act[/\Awrite:(.+)/, 1],
                  way_on: way_on,
                  facts: { "who_can" => who_can }.merge(@touched.facts || {})
                )
        end

        # The refusal's own way on, or who can instead.
        def way_on
          return if allowed?
          return @refusal.way_on if @refusal.way_on

          who_can.empty? ? "Ask the agency's owner." : "#{who_can.join(", ")} can."
        end
      end
    end
  end
end
