# frozen_string_literal: true

# Held against PostgreSQL's own calendar and the C library's, for the 400 years after which the calendar repeats.
RSpec.describe "Week numbers, against PostgreSQL and the C library", :database do
  it "are the same for every week from Monday to Sunday of 400 years" do
    ours =
      (2000...2400).flat_map do |year|
        (1..12).flat_map do |month|
          AskFirst::Core::Plan::Weeks
            .of(Date.new(year, month, 1)..Date.new(year, month, -1), 1)
            .map { |week| [week.days.first.iso8601, week.number] }
        end
      end
    ours = ours.uniq.sort
    theirs =
      db
        .fetch(
          "SELECT to_char(day, 'YYYY-MM-DD') AS day, to_char(day, 'IW')::int AS week " \
            "FROM generate_series(?::date, ?::date, '7 days') AS day ORDER BY day",
          ours.first.first,
          ours.last.first
        )
        .map { |row| row.values_at(:day, :week) }
    expect(ours).to eq theirs
    expect(ours.map { |day, _| Time.utc(*day.split("-").map(&:to_i)).strftime("%V").to_i }).to eq ours.map(&:last)
  end
end
