# frozen_string_literal: true

module AskFirst
  module App
    module Signoff
      # What the acts around routes share: what a client has that a route can name, and a route as it is written.
      class RouteAct < Act
        # @param members [Array<Member>]
        # @return [Hash{String=>Array<Member>}] who may answer inside, and for the client
        def self.able(members)
          {
            "internal" => members.select { |one| one.side == "agency" && one.abilities.include?("answer_internal") },
            "client" => members.select { |one| one.side == "client" && one.abilities.include?("answer_client") }
          }
        end

        private

        # @param steps [Array<Hash>] as of Core::Signoff::RouteDraft.clean
        # @return [Array<Hash>]
        def clean(steps)
          known =
            Core::Signoff::RouteDraft::Known.new(
              able: able.transform_values { |people| people.map(&:person_id) },
              roles: roles.to_h { |role| [role[:id], role[:side]] },
              labels: labels.keys,
              channels: channels.keys
            )
          Core::Signoff::RouteDraft.clean(steps, known)
        end

        # Another route for what was opened, with why; nothing where it has that one already.
        # @param route_id [String, nil] nil for the usual one
        # @yieldparam found [Hash, nil] the route
        # @yieldparam why [String]
        def choose(route_id, reason)
          why = Reason.clean(reason, "Another route needs its reason.")
          found = route_id && route(route_id)
          yield found, why unless row[:route_id] == found&.fetch(:id)
        end

        def able = @able ||= self.class.able(colleagues)

        # @return [Array<Hash>] :id, :name, :side (internal or client), :people: ids of those who have it here and may
        #   answer
        def roles
          @roles ||=
            begin
              have = rows(:memberships).where(ended_at: nil).select_hash_groups(:role_id, :person_id)
              environment.db[:roles]
                .where(id: have.keys)
                .order(:name)
                .select(:id, :name, :side)
                .map do |role|
                  side = role[:side] == "client" ? "client" : "internal"
                  role.merge(side: side, people: have.fetch(role[:id]) & able.fetch(side).map(&:person_id))
                end
            end
        end

        def labels = @labels ||= rows(:labels).where(merged_into: nil).order(:name).select_hash(:id, :name)
        def channels = @channels ||= rows(:channels).where(archived_at: nil).order(:position).select_hash(:id, :name)
        def called = labels.merge(channels)

        # @param step [Hash] cleaned
        # @return [Core::Signoff::Step] with everybody who has a role that it names
        def core_step(step, position)
          by_role = roles.select { |role| step[:roles].include?(role[:id]) }.flat_map { |role| role[:people] }
          Core::Signoff::Step.new(
            **step.slice(:name, :side, :quorum, :n, :hours, :required, :four_eyes, :roles, :condition),
            id: step[:id] || "new #{position}",
            position: position,
            people: (step[:people] + by_role).uniq
          )
        end

        # A route as the record keeps it.
        def in_words(steps)
          steps.map do |step|
            {
              **step.slice(:name, :side, :quorum, :n, :hours, :required),
              people: step[:people].map { |one| names[one] },
              roles: roles.select { |role| step[:roles].include?(role[:id]) }.map { |role| role[:name] },
              condition: step[:condition]&.words(called)
            }
          end
        end

        def route(id)
          fetch(:routes, id, "This route").tap { |found| raise Core::NotFound, "This route" if found[:archived_at] }
        end
      end
    end
  end
end
