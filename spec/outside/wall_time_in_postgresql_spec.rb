# frozen_string_literal: true

# Source: PostgreSQL's AT TIME ZONE, for all but doubled wall times (it takes the second there, RFC 5545 the first).
RSpec.describe "wall times against PostgreSQL", :database do
  it "agrees over two years in eight zones, gaps included" do
    zones = %w[
      Europe/Lisbon
      Europe/Berlin
      America/Denver
      America/New_York
      Australia/Melbourne
      Australia/Lord_Howe
      Asia/Kathmandu
      America/Santiago
    ]
    walls = (0...730).map { |day| Time.utc(2025, 1, 1, 0, 30) + (day * 86_400) + ((day * 7 % 24) * 3_600) }
    changes = [Time.utc(2026, 3, 29, 1, 30), Time.utc(2026, 3, 8, 2, 30), Time.utc(2026, 10, 4, 2, 15)]
    zones.each do |zone|
      (walls + changes).each_slice(400) do |slice|
        theirs =
          db[
            "SELECT (w::timestamp AT TIME ZONE ?) AS at FROM unnest(?::text[]) WITH ORDINALITY AS t(w, n) ORDER BY n",
            zone,
            Sequel.pg_array(slice.map { |wall| wall.strftime("%F %T") }, :text)
          ].select_map(:at)
        slice
          .zip(theirs)
          .each do |wall, at|
            ours = AskFirst::Core::Plan::WallTime.new(wall, zone)
            next if ours.kind == :doubled

            expect([zone, wall, ours.at]).to eq [zone, wall, at]
          end
      end
    end
  end
end
