# frozen_string_literal: true

# What a route that releases by itself leaves to a person.
RSpec.describe AskFirst::Core::Dispatch::Stopped do
  at = ->(minute) { minute && Time.utc(2026, 10, 14, 9, minute) }

  # minutes of: unlocked, taken back, the last yes
  {
    [nil, nil, nil] => false,
    [nil, nil, 5] => false,
    [5, nil, nil] => true,
    [5, nil, 4] => true,
    [5, nil, 5] => false,
    [5, nil, 6] => false,
    [nil, 5, nil] => true,
    [nil, 5, 5] => true,
    [nil, 5, 6] => false,
    [5, 7, 6] => true,
    [7, 5, 6] => true,
    [5, 7, 8] => false
  }.each do |(opened, back, yes), stopped|
    it "unlocked #{opened.inspect}, taken back #{back.inspect}, yes #{yes.inspect}: #{stopped}" do
      facts = described_class::Facts.new(opened_at: at.call(opened), taken_back_at: at.call(back), yes_at: at.call(yes))
      expect(described_class.by_person?(facts)).to be stopped
    end
  end
end
