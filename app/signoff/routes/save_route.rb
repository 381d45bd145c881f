# frozen_string_literal: true

module AskFirst
  module App
    module Signoff
      # Puts other steps into a route, or adds a route for campaigns and posts that take another way. A step that
      # demands the same as before is the same step: what was asked there goes on, and its yeses count. One that is
      # gone stays in the demand of the posts that were asked for it, unless it is let go on record. Whoever sets a
      # client up may choose its first route; later that takes `govern_route`.
      class SaveRoute < RouteAct
        opens :route, nil, locks: :client

        LET_GO = "The route was changed."

        # @param steps [Array<Hash>] as of Core::Signoff::RouteDraft.clean
        # @param route_id [String, nil] nil for a new one
        # @param seen [Integer, nil] its version that the page showed
        # @param about [Hash] name, releases_itself, locks_time, preset
        # @param let_go [Array<String>] ids of steps that go with everything that was asked there
        # @return [Hash] {id:, version:}
        # @raise [Core::Conflict, Core::Invalid] route_changed, name_taken
        def call(steps:, route_id: nil, seen: nil, about: {}, let_go: [])
          clean = clean(steps)
          shape = shape(about)
          id = route_id ? change(route(route_id), clean, seen, shape, let_go) : add(clean, shape)
          record("route_changed", facts: { route: shape[:name], steps: in_words(clean) })
          refresh_stage(rows(:posts).exclude(stage: "out").where(discarded_at: nil).select_map(:id))
          announce("settings", ids: [])
          { id: id, version: rows(:routes).where(id: id).get(:version) }
        end

        private

        def shape(about)
          name = Core::Posts::Text.line(about[:name].to_s, field: "name", limit: Core::Lengths::NAME)
          if name.empty?
            raise Core::Invalid.new("name_missing", "The route has no name.", field: "name", way_on: "Give it one.")
          end

          {
            name: name,
            preset: about[:preset],
            releases_itself: about.fetch(:releases_itself, false),
            locks_time: about.fetch(:locks_time, false)
          }
        end

        def add(steps, shape)
          named(shape) { Store::Signoff::Routes.add(scope, steps, now, is_default: false, **shape) }
        end

        def change(route, steps, seen, shape, let_go)
          raise changed(route) if route[:version] != seen

          require_ability!("rule") if let_go.any?
          retired = named(shape) { Store::Signoff::Routes.change(scope, route[:id], steps, now, **shape) }
          (let_go & retired).each do |step_id|
            DropStepEverywhere.call(environment, member, step_id: step_id, reason: LET_GO)
          end
          route[:id]
        end

        def named(shape, &block)
          scope.transaction(savepoint: true, &block)
        rescue Store::Failures::Taken
          raise Core::NameTaken, "a route “#{shape[:name]}”"
        end

        def changed(route)
          Core::Changed.new(
            "route_changed",
            "the route",
            field: "steps",
            way_on: Core::Changed::KEPT,
            seen: route[:version]
          )
        end
      end
    end
  end
end
