# frozen_string_literal: true

module AskFirst
  module Store
    module Posts
      # What each adaptation must pass: the steps of its post's route whose conditions it meets, and what was asked of
      # it.
      class Demands
        # Of a client whose route was taken away.
        NO_ROUTE = { id: nil, name: "", releases_itself: false, locks_time: false }.freeze
        private_constant :NO_ROUTE

        # @param sets [Hash{Symbol=>Array<Hash>}] of PostRows
        def initialize(sets)
          @sets = sets
          @asked = sets[:asked].group_by { |row| row[:post_id] }
          @labels = sets[:labels].group_by { |row| row[:post_id] }
          @live = sets[:steps].select { |row| row[:retired_at].nil? }.group_by { |row| row[:route_id] }
        end

        # @param post [Hash] row
        # @param facts [Core::Signoff::Condition::Facts]
        # @param adaptation_id [String, nil] nil for a post on no channel
        # @return [Array<Core::Signoff::Step>]
        def of(post, facts, adaptation_id)
          asked = @asked.fetch(post[:id], [])
          own = asked.select { |row| row[:adaptation_id] == adaptation_id }.map { |row| row[:step_id] }
          Core::Signoff::Demand.of(
            @live.fetch(route(post)[:id], []).map { |row| steps.fetch(row[:id]) },
            steps.values_at(*asked.map { |row| row[:step_id] }.uniq),
            dropped.fetch(post[:id], []),
            facts: facts,
            own: own
          )
        end

        # What conditions of steps look at.
        # @param post [Hash] row
        # @param channel_id [String, nil] nil for a post on no channel
        # @param parts [Hash] resolved
        # @return [Core::Signoff::Condition::Facts]
        def facts(post, channel_id, parts)
          labels = @labels.fetch(post[:id], []).flat_map { |row| [row[:label_id], row[:parent_id], *row[:merged]] }
          Core::Signoff::Condition::Facts.new(
            labels: labels.compact,
            channel: channel_id,
            format: parts["format"],
            budget: parts["budget"]
          )
        end

        # The post's own route, its campaign's, else the client's.
        # @param post [Hash] row
        # @return [Hash] row
        def route(post)
          id = post[:route_id] || campaigns[post[:campaign_id]]
          (id && routes[id]) || default_route
        end

        # Labels that the texts of a post ask for, since a step of its route is wanted for them.
        # @param adaptations [Array<PostState::Adaptation>]
        # @return [Array<String>] their ids
        def proposed(post, adaptations)
          conditions = @live.fetch(route(post)[:id], []).filter_map { |row| steps.fetch(row[:id]).condition }
          adaptations
            .flat_map do |one|
              facts = facts(post, one.row[:channel_id], one.parts)
              conditions.filter_map { |condition| condition.proposal(facts, one.request["text"].to_s) }
            end
            .uniq
        end

        private

        def steps
          @steps ||= @sets[:steps].to_h { |row| [row[:id], Signoff::Routes.step(row, row[:people], row[:roles])] }
        end

        def dropped
          @dropped ||=
            @sets[:rulings]
              .select { |row| row[:kind] == "drop" }
              .group_by { |row| row[:post_id] }
              .transform_values { |rows| rows.map { |row| row[:step_id] } }
        end

        def campaigns = @campaigns ||= @sets[:campaigns].to_h { |row| row.values_at(:id, :route_id) }
        def routes = @routes ||= @sets[:routes].to_h { |row| [row[:id], row] }
        def default_route = @default_route ||= @sets[:routes].find { |row| row[:is_default] } || NO_ROUTE
      end
    end
  end
end
