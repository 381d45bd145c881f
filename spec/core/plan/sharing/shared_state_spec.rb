# frozen_string_literal: true

# What a client reads of a post in their plan. Common practice, no source: nobody outside reads of the house's stages.
RSpec.describe AskFirst::Core::Plan::SharedState do
  it "says of every stage how it stands, in one of five words" do
    stages = AskFirst::Core::Signoff::Stages::ORDER
    expect(stages.to_h { |stage| [stage, described_class.of(stage)] }).to eq(
      "trouble" => "held",
      "held" => "held",
      "changes_wanted" => "changing",
      "drafting" => "changing",
      "internal_review" => "changing",
      "client_approval" => "waits",
      "cleared" => "agreed",
      "released" => "agreed",
      "out" => "out"
    )
  end
end
