# frozen_string_literal: true

module Demo
  # The routes of the demo: operations say yes to whatever names times or prices, and a shorter way for a storm.
  class Ways
    # @param world [World]
    def initialize(world)
      @world = world
    end

    def tell
      ours = here
      act(
        "Signoff::SaveRoute",
        steps: ours[:steps].map { |step| kept(step) } + [operations],
        route_id: ours[:id],
        seen: ours[:version],
        about: ours.slice(:name, :releases_itself, :locks_time)
      )
      storm = step("Quick yes", [@world.people[:odile], @world.people[:per]], hours: 2)
      act("Signoff::SaveRoute", steps: [storm], about: { name: "Storm and fog", releases_itself: true })
    end

    private

    def act(name, **input)
      AskFirst::App.const_get(name).call(@world.environment, @world.member(:ines, :quillmere), **input)
    end

    def here = act("Signoff::RouteList")[:routes].find { |one| one[:default] }

    def kept(step)
      step
        .slice(:id, :name, :side, :quorum, :n, :hours, :required, :four_eyes, :people, :roles)
        .transform_keys(&:to_s)
        .merge("condition" => step[:condition])
    end

    def operations
      label = @world.db[:labels].where(workspace_id: @world.workspaces[:quillmere], name: "times, prices").get(:id)
      step("Times are right", [@world.people[:per]], hours: 8).merge(
        "condition" => {
          "labels" => [label],
          "proposes" => "times_or_prices"
        }
      )
    end

    def step(name, people, hours:)
      {
        "name" => name,
        "side" => "client",
        "quorum" => "any",
        "hours" => hours,
        "required" => true,
        "four_eyes" => true,
        "people" => people
      }
    end
  end
end
