# frozen_string_literal: true

require "icalendar"

module AskFirst
  module Web
    # The plan as a calendar reads it. Source: RFC 5545; its name and how often to come back: RFC 7986, sections 5.1
    # and 5.7.
    module CalendarText
      TYPE = "text/calendar;charset=utf-8"
      MINUTES = 15

      module_function

      # @param plan [Hash] of App::Plan::CalendarByAddress
      # @param now [Time]
      # @return [String]
      def of(plan, now)
        calendar = Icalendar::Calendar.new
        calendar.prodid = "-//Ask First//Plan//EN"
        calendar.append_custom_property("NAME", plan[:name])
        calendar.append_custom_property("X-WR-CALNAME", plan[:name])
        calendar.refresh_interval = "PT1H"
        plan[:events].each { |event| calendar.add_event(event(event, now)) }
        plan[:marks].each { |mark| calendar.add_event(mark(mark, now)) }
        calendar.to_ical
      end

      def event(facts, now)
        entry(facts, now).tap do |one|
          one.dtstart = moment(facts[:at])
          one.dtend = moment(facts[:at] + (MINUTES * 60))
          one.summary = "#{facts[:subject].empty? ? "Untitled" : facts[:subject]} · #{facts[:stage]}"
          one.location = facts[:channels].join(", ")
          one.status = facts[:sure] ? "CONFIRMED" : "TENTATIVE"
          one.url = facts[:address]
        end
      end

      # A whole day, by no hour and no zone.
      def mark(facts, now)
        entry(facts, now).tap do |one|
          day = Date.iso8601(facts[:day])
          one.dtstart = Icalendar::Values::Date.new(day)
          one.dtend = Icalendar::Values::Date.new(day + 1)
          words = [facts[:word], facts[:label]].compact.reject(&:empty?)
          one.summary = ["Pencil mark", *words].join(" · ")
          one.location = facts[:channel]
          one.status = "TENTATIVE"
        end
      end

      def entry(facts, now)
        Icalendar::Event.new.tap do |one|
          one.uid = "#{facts[:id]}@ask-first"
          one.dtstamp = moment(now)
          one.categories = [facts[:client]]
          one.transp = "TRANSPARENT"
        end
      end

      def moment(time) = Icalendar::Values::DateTime.new(time.utc, "tzid" => "UTC")
      private_class_method :event, :mark, :entry, :moment
    end
  end
end
