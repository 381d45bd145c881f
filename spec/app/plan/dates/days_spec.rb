# frozen_string_literal: true

RSpec.describe "The days around a planned time" do
  def days(who = :ines, from: "2026-12-20", to: "2026-12-27")
    world.act("Plan::Days", who, from: from, to: to)[:days]
  end

  def plan(post, wall, on: nil)
    world.write(post, "time", { "wall" => wall, "zone" => "Europe/Lisbon" }, who: :ines, on: on)
  end

  it "say what goes out when, channel by channel, in the client's own time" do
    post = world.draft(picture: false)
    world.act("Posts::Rename", :ines, post_id: post, subject: "Winter timetable", version: 1)
    plan(post, "2026-12-22T12:10")
    plan(post, "2026-12-22T23:30", on: :vitrine)
    found = days.find { |day| day[:date] == "2026-12-22" }
    expect(
      found[:posts].map { |line| line.slice(:subject, :wall).values + line[:channels].map { |one| one["name"] } }
    ).to eq [["Winter timetable", "2026-12-22T12:10", "Ticker"], ["Winter timetable", "2026-12-22T23:30", "Vitrine"]]
  end

  it "mark public holidays by name, and days that the client does not work on" do
    db[:workspaces].where(id: world.workspace).update(holidays: "pt")
    found = days.to_h { |day| day.values_at(:date, :off) }
    expect(found["2026-12-25"]).to eq "Natal"
    expect(days.reject { |day| day[:works] }.map { |day| day[:date] }).to eq %w[
         2026-12-20
         2026-12-25
         2026-12-26
         2026-12-27
       ]
  end

  it "are two months at most, from real days" do
    expect(refusal { days(from: "2026-12-01", to: "2027-03-01") }).to have_attributes(
      code: "too_many_days",
      field: "to"
    )
    expect(refusal { days(from: "2026-12-02", to: "2026-12-01") }.code).to eq "too_many_days"
    expect(refusal { days(from: "2026-13-01") }).to have_attributes(code: "bad_date", field: "from")
  end
end
