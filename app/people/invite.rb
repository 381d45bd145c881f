# frozen_string_literal: true

require "digest"
require "securerandom"

module AskFirst
  module App
    module People
      # Invites people to a client by mail, by the tens: each address gets an answer of its own, and the good ones are
      # kept. The inviter sees the same whether a person is known or not; known people are asked and accept too.
      class Invite < MembershipChange
        opens :client, "invite"

        DAYS = 7

        # @param addresses [String] as pasted
        # @return [Array<Hash>] {typed:, invited:, problem:} for each
        def call(addresses:, role_id:, title: "", channel_ids: nil, until_date: nil)
          role = role(role_id, nil)
          ids = channels(channel_ids)
          require_within_own!(role, ids)
          ends = access_until(until_date)
          label = Core::Posts::Text.line(title, field: "title", limit: Core::Lengths::TITLE)
          found = Core::People::Addresses.read(Core::Posts::Text.clean(addresses, field: "addresses", limit: 20_000))
          if found.empty?
            raise Core::Invalid.new(
                    "no_address",
                    "There is no address yet.",
                    field: "addresses",
                    way_on: "Type or paste one or more."
                  )
          end

          results =
            found.map { |one| one.problem ? one : one.dup.tap { |same| same.problem = refusal(one.address, role) } }
          results.reject(&:problem).each { |one| invite(one.address, role, label, ids, ends) }
          announce("people", ids: [])
          results.map { |one| { typed: one.typed, invited: one.problem.nil?, problem: one.problem } }
        end

        private

        def refusal(address, role)
          return "Is a member here already." if members.include?(address.downcase)
          if rows(:invitations).where(email: address, accepted_at: nil, revoked_at: nil).any?
            return "Is invited already; send it again from the list."
          end

          domains = role[:side] == "agency" ? policy : []
          return if domains.empty? || domains.include?(address.split("@").last.downcase)

          "Is not at #{domains.join(" or ")}: the agency takes people of its side only from there."
        end

        def members
          @members ||= Store::People::Members.of_workspace(scope, now).to_set { |row| row[:email].downcase }
        end

        def policy
          @policy ||= environment.db[:agencies].where(id: workspace[:agency_id]).get(:mail_domains).to_a
        end

        def invite(address, role, title, channel_ids, ends)
          id = new_id
          scope.insert(
            :invitations,
            {
              id: id,
              email: address,
              side: role[:side],
              role_id: role[:id],
              title: title,
              limited: !channel_ids.nil?,
              access_until: ends,
              invited_by: member.person_id,
              invited_at: now,
              expires_at: now + (DAYS * 86_400)
            }
          )
          scope.insert(
            :invitation_channels,
            *Array(channel_ids).map { |channel| { invitation_id: id, channel_id: channel } }
          )
          record("invited", facts: { email: address, role: role[:name] })
          environment.queue.invitation_mail(member.workspace_id, id, at: now)
        end
      end
    end
  end
end
