# frozen_string_literal: true

require "biz"

# Working time against a general-purpose library for business hours: the gem biz 1.8 (by its own documentation, hours by
# weekday, holidays by date, a zone).
RSpec.describe "Working time and the gem biz" do
  names = { "1" => :mon, "2" => :tue, "3" => :wed, "4" => :thu, "5" => :fri, "6" => :sat, "7" => :sun }
  week = (1..5).to_h { |day| [day.to_s, [%w[09:00 13:00], %w[14:00 17:30]]] }.merge("6" => [%w[10:00 12:00]])

  %w[Europe/Lisbon America/Denver Australia/Melbourne].each do |zone|
    it "agree on adding minutes and on what lies between, #{zone}, over a year with both changes of the clocks" do
      off = [Date.new(2026, 4, 3), Date.new(2026, 10, 26)]
      reference =
        Biz::Schedule.new do |config|
          config.hours = week.to_h { |day, spans| [names.fetch(day), spans.to_h] }
          config.holidays = off
          config.time_zone = zone
        end
      ours = AskFirst::Core::Plan::WorkingTime.new(zone: zone, week: week, off: off)
      random = Random.new(7)
      300.times do
        from = Time.utc(2026, 1, 1) + random.rand(365 * 86_400)
        minutes = random.rand(1..4_000)
        there = reference.time(minutes, :minutes).after(from)
        expect(ours.between(from, ours.add(from, minutes))).to be_within(0.01).of(minutes)
        # at a closing time ours is the closing, biz's may be the next opening: between the two lies no working time
        expect(ours.between(ours.add(from, minutes), there).abs).to be < 0.02
        expect(ours.between(from, from + 500_000)).to be_within(1.01).of(
          reference.within(from, from + 500_000).in_minutes
        )
      end
    end
  end
end
