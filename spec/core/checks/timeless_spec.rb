# frozen_string_literal: true

RSpec.describe AskFirst::Core::Checks::Timeless do
  {
    "A lamp has to be trimmed every evening, and nobody sees it." => [],
    "Ferries may be late when the sun is low; march on." => [],
    "See you on Thursday." => ["a day"],
    "Open until 12 October." => ["a day"],
    "Every 3rd of May is ours: May 3 again." => ["a day"],
    "Tomorrow the pier is closed." => ["a day"],
    "The last boat leaves at 23:40." => ["a time"],
    "Doors at 7 pm" => ["a time"],
    "A day pass is €9.50." => ["a price"],
    "Half-term: 20 % off until 30.10.2026, from 9:00" => ["a time", "a price"],
    "12.50 EUR on Sundays" => ["a day", "a price"],
    "Open from 9.30" => ["a time"]
  }.each do |text, names|
    it "finds #{names.empty? ? "nothing" : names.join(", ")} in “#{text}”" do
      expect(described_class.names(text)).to eq names
    end
  end
end
