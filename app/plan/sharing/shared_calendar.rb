# frozen_string_literal: true

module AskFirst
  module App
    module Plan
      # What stands under a plan link, for a calendar: the same posts in the same words, and nothing else.
      module SharedCalendar
        WORDS = {
          "waits" => "waits for your yes",
          "changing" => "being changed",
          "agreed" => "agreed",
          "out" => "out",
          "held" => "held"
        }.freeze

        module_function

        # @param secret [String] of the link
        # @return [Hash] {name:, events:, marks:} as of Calendar
        # @raise [Core::NotFound] see PlanByLink
        def call(environment, secret)
          plan = PlanByLink.call(environment, secret)
          address = "#{environment.settings.public_url}/review/plan##{secret}"
          {
            name: "#{plan[:client][:name]}: the plan",
            events: plan[:posts].map { |post| event(post, plan, address) },
            marks: plan[:marks].map { |mark| mark(mark, plan) }
          }
        end

        def event(post, plan, address)
          {
            id: "#{post[:id]}-#{post[:wall]}",
            at: Core::Plan::WallTime.parse(post[:wall], plan[:zone]).at,
            subject: post[:subject],
            stage: WORDS.fetch(post[:state]),
            sure: %w[agreed out].include?(post[:state]),
            channels: post[:channels].map { |channel| channel["name"] },
            client: plan[:client][:name],
            address: address
          }
        end

        def mark(mark, plan)
          {
            id: [mark[:name], mark[:day]].join("-"),
            day: mark[:day],
            word: mark[:word],
            channel: mark[:name],
            label: nil,
            client: plan[:client][:name]
          }
        end
        private_class_method :event, :mark
      end
    end
  end
end
