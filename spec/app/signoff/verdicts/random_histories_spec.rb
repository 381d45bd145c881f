# frozen_string_literal: true

# Random histories of sign-off against a second reading of the text (spec/support/reading.rb). Seeded: a failure names
# its seed, and `bin/histories 1 --seed N` tells it again. Some hundred in every run, as many as wanted by
# bin/histories.
RSpec.describe "Random histories of sign-off" do
  routes = {
    "one inside" => [%w[internal any]],
    "inside, then the client" => [%w[internal any], %w[client any]],
    "all inside" => [%w[internal all]],
    "two of three, then all of the client" => [["internal", "n", 2], %w[client all]],
    "with an advisory step" => [%w[internal any], ["internal", "any", nil, false]],
    "no step" => []
  }
  count = Integer(ENV.fetch("HISTORIES", "120"))
  first = Integer(ENV.fetch("HISTORY_SEED", "1"))

  def furnish(steps)
    client = fresh_client
    %i[wren tobiah maro].each { |who| add(client, who, "agency", "account lead") }
    %i[odile per].each { |who| add(client, who, "client", "client approver") }
    %w[ticker guildhall].each { |network| connected(client, network) }
    change_route(client, steps.each_with_index.map { |step, index| step_json(index, *step) })
    world.act(
      "Signoff::SaveRoute",
      :ines,
      client,
      steps: [step_json(0, "internal", "any")],
      about: {
        name: "Another way"
      }
    )
    client
  end

  def add(client, who, side, role)
    world.owner[:memberships].insert(
      workspace_id: world.workspace(client),
      id: AskFirst::Core::Uuid.v7(Time.now),
      person_id: world.person(who),
      side: side,
      role_id: db[:roles].where(name: role).get(:id),
      since: world.environment.now
    )
  end

  def step_json(index, side, quorum, n = nil, required = true) # rubocop:disable Style/OptionalBooleanParameter
    people = side == "client" ? %i[odile per] : %i[wren tobiah bram]
    people = people.first(2) if quorum == "all"
    {
      "name" => "Step #{index}",
      "side" => side,
      "quorum" => quorum,
      "n" => n,
      "hours" => 9,
      "required" => required,
      "four_eyes" => true,
      "people" => people.map { |who| world.person(who) }
    }
  end

  routes.each_with_index do |(name, steps), index|
    it "come to what the text says, and none goes out without its yeses: #{name}" do
      client = furnish(steps)
      seeds = (first...(first + count)).select { |seed| seed % routes.size == index }
      wrong =
        seeds.filter_map do |seed|
          history = History.new(world, client, seed)
          found =
            begin
              history.run(24)
            rescue RuntimeError => e
              "#{e.message}\n  #{history.told.join("\n  ")}"
            end
          "seed #{seed}: #{found}" if found
        end
      expect(wrong.first(2)).to eq []
      expect(AskFirst::App::Signoff::CheckCaches.call(world.jobs)).to eq []
    end
  end
end
