# frozen_string_literal: true

# How far a plan reaches: common practice, no source.
RSpec.describe AskFirst::Core::Plan::Bounds do
  def refused_year(year)
    time = AskFirst::Core::Plan::WallTime.new(Time.utc(year, 10, 14, 7, 30), "Europe/Lisbon")
    refused_at { described_class.require!(time, Time.utc(2026, 10, 14)) }
  end

  it "holds the years from 2000 to ten years from now, and says so at the field" do
    expect([1999, 2000, 2036, 2037].map { |year| refused_year(year) }).to eq [
         %w[time_out_of_reach time],
         "done",
         "done",
         %w[time_out_of_reach time]
       ]
    expect(
      %w[0000 0001 1999 2000 2999 3000 9999].map do |year|
        AskFirst::Core::Plan::WallTime
          .stored({ "wall" => "#{year}-10-14T07:30", "zone" => "Europe/Lisbon" })
          &.wall
          &.year
      end
    ).to eq [nil, nil, nil, 2000, 2999, nil, nil]
    expect([1, 9999].map { |year| refused_year(year) }.uniq).to eq [%w[time_out_of_reach time]]
  end
end
