# frozen_string_literal: true

module AskFirst
  module Core
    module Permissions
      # One function decides what a person may do: for the API, for what the interface shows as off, for live updates.
      # Allowed, or refused with the rule and who could.
      class Decision
        # what is done => ability that it needs
        ACTS = {
          "see_post" => "see", "house_talk" => "see", "make_post" => "create", "rename" => "write_settings",
          "choose_channels" => "write_settings", "ask" => "ask", "withdraw" => "ask", "release" => "release",
          "take_back" => "release", "hold" => "hold", "open" => "open", "assign" => "assign", "rule" => "govern",
          "settle" => "release", "add_media" => "write_visuals"
        }.freeze
        WRITE = { "copy" => "write_copy", "visuals" => "write_visuals", "timing" => "write_timing", "all" => "write_settings" }.freeze

        attr_reader :rule, :who_can

        # @param member [#abilities, #side] of whoever acts
        # @param act [String] a key of ACTS, or "write:<part>"
        # @param others [Array<#name, #abilities>] the other members, to say who can
        def self.for(member, act, others: [])
          needed = needed_for(act)
          return new(true) if member.abilities.intersect?(needed)

          who = others.select { |other| other.abilities.intersect?(needed) }.map(&:name)
          new(false, rule: "Your role here cannot #{needed.map { |ability| Abilities::SENTENCES.fetch(ability) }.join(' or ')}.", who_can: who)
        end

        def self.needed_for(act)
          return [ACTS.fetch(act)] unless act.start_with?("write:")

          Posts::Parts::GROUPS.fetch(act.delete_prefix("write:")).map { |group| WRITE.fetch(group) }
        end

        def initialize(allowed, rule: nil, who_can: [])
          @allowed = allowed
          @rule = rule
          @who_can = who_can
        end

        def allowed? = @allowed

        # @raise [Refused]
        def require!
          return if allowed?

          raise Refused.new("not_yours", rule, way_on: way_on, facts: { "who_can" => who_can })
        end

        def way_on
          who_can.empty? ? "Ask the agency's owner." : "#{who_can.join(', ')} can."
        end
      end
    end
  end
end
