# frozen_string_literal: true

require "open3"

# The calendar that we write (icalendar, Ruby), parsed back by a library that did not write it (ical.js, JavaScript),
# and held against rules of RFC 5545 that can be counted.
RSpec.describe "A calendar feed, outside" do
  let(:plan) do
    {
      name: "Quillmere; all, of it",
      events: [
        {
          id: "p1",
          at: Time.utc(2026, 10, 15, 6, 30),
          subject:
            "Fog days: “how, to know”; a long subject line with a ferry ⛴ that goes on beyond the fold of a line",
          stage: "client approval",
          sure: false,
          channels: %w[Ticker Vitrine],
          client: "Quillmere Ferries",
          address: "https://studio.example/w/1/posts/2"
        },
        {
          id: "p2",
          at: Time.utc(2026, 10, 25, 0, 30),
          subject: "",
          stage: "released",
          sure: true,
          channels: [],
          client: "Quillmere Ferries",
          address: "https://studio.example/w/1/posts/3"
        }
      ],
      marks: [
        { id: "m1", day: "2026-10-16", word: "weekend tip", label: "Places", channel: "Ticker", client: "Quillmere" }
      ]
    }
  end
  let(:text) { AskFirst::Web::CalendarText.of(plan, Time.utc(2026, 10, 14, 9, 20)) }

  # @return [Array<Hash>] events as ical.js reads them
  def read_back
    script = <<~JS
      import ICAL from 'ical.js'
      import { readFileSync } from 'node:fs'
      const calendar = new ICAL.Component(ICAL.parse(readFileSync(0, 'utf8')))
      const events = calendar.getAllSubcomponents('vevent').map((one) => new ICAL.Event(one)).map((one) => ({
        uid: one.uid, summary: one.summary, location: one.location, day: one.startDate.isDate,
        start: one.startDate.isDate ? one.startDate.toString() : one.startDate.toJSDate().toISOString(),
        minutes: one.duration.toSeconds() / 60, status: one.component.getFirstPropertyValue('status'),
        categories: one.component.getFirstPropertyValue('categories')
      }))
      console.log(JSON.stringify({ name: calendar.getFirstPropertyValue('name'), events }))
    JS
    out, status =
      Open3.capture2("node", "--input-type=module", "-e", script, stdin_data: text, chdir: "#{__dir__}/../../ui")
    raise "ical.js did not read it" unless status.success?

    JSON.parse(out)
  end

  it "is read by another library: names, instants, whole days, words with commas, semicolons and signs" do
    found = read_back
    # a property of RFC 7986, which ical.js hands on as it stands: escaped by RFC 5545, section 3.3.11
    expect(found["name"]).to eq 'Quillmere\\; all\\, of it'
    fog, doubled, mark = found["events"]
    expect(fog).to include(
      "uid" => "p1@ask-first",
      "start" => "2026-10-15T06:30:00.000Z",
      "minutes" => 15,
      "location" => "Ticker, Vitrine",
      "status" => "TENTATIVE",
      "categories" => "Quillmere Ferries"
    )
    expect(fog["summary"]).to eq "#{plan[:events].first[:subject]} · client approval"
    expect(doubled).to include("start" => "2026-10-25T00:30:00.000Z", "summary" => "Untitled · released")
    expect(doubled["status"]).to eq "CONFIRMED"
    expect(mark).to include("day" => true, "start" => "2026-10-16", "minutes" => 1440, "location" => "Ticker")
    expect(mark["summary"]).to eq "Pencil mark · weekend tip · Places"
  end

  it "has lines of at most 75 octets that end in CRLF (section 3.1), and what a calendar must have (3.6, 3.6.1)" do
    lines = text.split("\r\n", -1)
    expect(lines.map(&:bytesize).max).to be <= 75
    expect(text.delete("\r")).not_to eq text
    expect(text.gsub("\r\n", "")).not_to match(/[\r\n]/)
    %w[VERSION:2.0 PRODID: BEGIN:VCALENDAR END:VCALENDAR].each { |part| expect(text).to include part }
    expect(text.scan(/^(?:UID|DTSTAMP)[:;]/).size).to eq 2 * 3
  end
end
