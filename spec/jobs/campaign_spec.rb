# frozen_string_literal: true

require_relative "../support/campaign"

# A short round of bin/kill in every run: KILLS says how many kills, KILL_SEED which random moments.
RSpec.describe "Sending under fire" do
  it "loses nothing, sends nothing twice, early or taken back, and says what is true" do
    cluster = Setup::Cluster.new("postgres-kill").ensure_running
    world =
      SpecWorld.new(
        cluster: cluster,
        clock: AskFirst::Edge::Clock.new,
        ASK_FIRST_LEASE: "6",
        ASK_FIRST_NETWORK_TIMEOUT: "2",
        ASK_FIRST_POLL: "0.1"
      )
    Que.connection = world.environment.db
    kills = Integer(ENV.fetch("KILLS", "6"))
    seed = Integer(ENV.fetch("KILL_SEED") { rand(1_000_000).to_s })
    result =
      Campaign
        .new(world, cluster, Random.new(seed), keepers: kills > 20 ? 5 : 2)
        .call(starts: kills > 20 ? 5 : 1) do |so_far|
          if kills > 20 && so_far.rounds.positive?
            puts "#{so_far.rounds} rounds, #{so_far.kills} kills, #{so_far.sent} sent, #{so_far.wrong.size} wrong"
          end
          so_far.kills < kills && so_far.wrong.empty?
        end
    puts result.to_h.inspect if kills > 20
    expect([seed, result.wrong]).to eq [seed, []]
  ensure
    [world.environment.db, world.owner].each(&:disconnect)
    cluster.stop
  end
end
