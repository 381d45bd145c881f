# frozen_string_literal: true

require_relative "../../support/walk"

# Every interleaving of two dispatchers, one person and a network, to a depth that takes part of a minute.
RSpec.describe "Every history of one showing", :walk do
  # words => finds_by_id, same_id_once, and how often the person acts; with each a fault of the network, a freeze and
  # a kill
  {
    "finds by the id" => [true, false, 2],
    "takes an id once" => [false, true, 1],
    "does both" => [true, true, 1],
    "does neither" => [false, false, 1]
  }.each do |words, (finds, once, acts)|
    it "on a network that #{words}: nothing twice, early, changed or lost, in each of its states" do
      walk = Walk.new([finds, once], left: Walk::Left.new(acts, 1, 1, 1))
      expect(walk.call).to be_nil
      RSpec.configuration.reporter.message("#{walk.states} states, on a network that #{words}")
      expect(walk.states).to be > 30_000
    end
  end

  # mend => what its history does without it
  {
    moves_name_their_try: "there, and it can be changed", # A: somebody who comes back late sets it back
    claim_compares: "early", # B: what was moved or changed between the look and the claim
    lease_binds: "twice", # C2: somebody who was frozen between claim and create
    looked_twice: "there, and it can be changed", # F: a slow network that is asked once
    stays_unclear: "there, and it can be changed" # sent again with the same id, it may be out all the time
  }.each do |mend, broken|
    it "is broken (#{broken}) as soon as #{mend.to_s.tr("_", " ")} is taken out" do
      walk =
        Walk.new(
          [true, mend == :stays_unclear],
          without: mend,
          left: Walk::Left.new(mend == :lease_binds ? 1 : 2, 1, 1, 0),
          ticks: 6
        )
      expect(walk.call).to match(/\A#{broken}: /)
    end
  end
end
