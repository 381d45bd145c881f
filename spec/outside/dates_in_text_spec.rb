# frozen_string_literal: true

require "open3"

# Days named in texts, against the C library's calendar (the program date of GNU coreutils), which reads the same
# words itself.
RSpec.describe "Dates in texts, against the C library's calendar" do
  forms = ["%-d %B %Y", "%B %-d, %Y", "%-d %b %Y", "%Y-%m-%d"]
  random = Random.new(12)
  days = Array.new(60) { Date.new(2026, 1, 1) + random.rand(0..1500) }

  it "every way of writing a day is read as the calendar reads it" do
    cases = days.product(forms).map { |day, form| day.strftime(form) }
    read = Open3.capture2("date", "--utc", "-f", "-", "+%F", stdin_data: cases.join("\n")).first.split("\n")
    ours =
      cases.map do |words|
        AskFirst::Core::Checks::DatesInText
          .ends("The offer ends on #{words}.", Date.new(2026, 6, 1))
          .map { |found| found.date.iso8601 }
          .first
      end
    expect(ours).to eq read
  end

  it "what is no day of the calendar is no day here: 30 February, 31 April, 29 February of a year without one" do
    ["30 February 2026", "31 April 2026", "29 February 2027"].each do |words|
      expect(AskFirst::Core::Checks::DatesInText.ends("until #{words}", Date.new(2026, 1, 1))).to eq []
    end
    expect(AskFirst::Core::Checks::DatesInText.ends("until 29 February 2028", Date.new(2028, 1, 1)).map(&:date)).to eq [
         Date.new(2028, 2, 29)
       ]
  end
end
