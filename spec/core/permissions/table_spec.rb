# frozen_string_literal: true

# The full table of presets and acts, written out: what each kind of person may do here. A change of a preset changes this.
RSpec.describe "Who may do what" do
  acts = AskFirst::Core::Permissions::Decision::ACTS.keys
  everything = acts
  table = {
    "agency owner" => everything,
    "account lead" => everything - %w[rule],
    "reviewer" => %w[see_post house_talk make_post rename choose_channels add_media],
    "copywriter" => %w[see_post house_talk make_post],
    "designer" => %w[see_post house_talk add_media],
    "assistant" => %w[see_post house_talk make_post ask withdraw release take_back settle],
    "client approver" => [],
    "client observer" => []
  }

  it "names every preset" do
    expect(table.keys).to match_array AskFirst::Core::Permissions::Abilities::PRESETS.keys
  end

  table.each do |role, allowed|
    acts.each do |act|
      may = allowed.include?(act)
      it "#{role}: #{act} is #{may ? 'theirs' : 'refused with the rule'}" do
        _, abilities = AskFirst::Core::Permissions::Abilities::PRESETS.fetch(role)
        decision = AskFirst::Core::Permissions::Decision.for(Struct.new(:abilities).new(abilities), act)
        expect(decision.allowed?).to be may
        expect(decision.rule).to start_with("Your role here cannot") unless may
      end
    end
  end

  it "an act that nobody defined is no act" do
    member = Struct.new(:abilities).new(%w[see])
    expect { AskFirst::Core::Permissions::Decision.for(member, "fly") }.to raise_error(KeyError)
    expect { AskFirst::Core::Permissions::Decision.for(member, "write:smell") }.to raise_error(KeyError)
  end

  it "a guest of the client's side keeps to the ceiling, whatever their role was edited to" do
    row = { workspace_id: "w", person_id: "p", name: "Odile", side: "client", abilities: %w[see_shared answer_client see release govern], workspace_zone: "Europe/Lisbon" }
    expect(AskFirst::App::Member.from_row(row).abilities).to eq %w[see_shared answer_client]
  end
end
