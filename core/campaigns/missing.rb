# frozen_string_literal: true

module AskFirst
  module Core
    module Campaigns
      # What a campaign lacks until it can start, in the order in which one sees to it: what it is, where, who, with
      # what, and whether its posts are there and have their yeses.
      class Missing
        FIRST_DAYS = 7 # whose posts must have every yes when it starts
        READY = %w[cleared released out].freeze

        # What is known of a campaign.
        #
        # days: Range of Date or nil · goal, brief: whether there is one · channels: Array of {name:, state:, archived:}
        # · people: how many · mix: whether there are targets · budget: {minor:, currency:} or nil · planned: Array of
        # {minor:, currency:} · posts: Array of {day: "2026-10-15" or nil, stage:, channel_ids:} · channel_ids: chosen
        Facts =
          Struct.new(
            :days,
            :goal,
            :brief,
            :channels,
            :channel_ids,
            :people,
            :mix,
            :budget,
            :planned,
            :posts,
            keyword_init: true
          )
        # One thing that is missing. field: of the campaign where it is mended · posts: how many it concerns,
        # or nil
        Gap = Struct.new(:code, :sentence, :field, :posts, keyword_init: true)

        # @param facts [Facts]
        # @return [Array<Gap>]
        def self.of(facts) = new(facts).call

        def initialize(facts)
          @facts = facts
        end

        def call
          [*itself, *where, *means, *posts]
        end

        private

        attr_reader :facts

        def itself
          [
            (gap("no_period", "It has no period yet.", "days") unless facts.days),
            (gap("no_goal", "It has no goal yet.", "goal") unless facts.goal),
            (gap("no_brief", "It has no brief yet.", "brief") unless facts.brief)
          ].compact
        end

        def where
          return [gap("no_channels", "No channel is chosen.", "channels")] if facts.channels.empty?

          facts.channels.filter_map do |channel|
            why = out_of_use(channel)
            gap("channel_#{why.first}", "#{channel[:name]} #{why.last}.", "channels") if why
          end
        end

        def out_of_use(channel)
          return "archived", "is archived" if channel[:archived]

          {
            "lapsed" => ["lapsed", "has a connection that has lapsed"],
            "planned" => ["not_connected", "is not connected yet"]
          }[
            channel[:state]
          ]
        end

        def means
          [
            (gap("no_people", "Nobody is named who sees to it.", "people") if facts.people.zero?),
            (gap("no_mix", "No mix of labels is wanted yet.", "targets") unless facts.mix),
            *over_budget
          ].compact
        end

        def over_budget
          return [] unless facts.budget

          facts.planned.filter_map do |sum|
            if sum[:currency] != facts.budget[:currency]
              gap("other_currency", "Money in #{sum[:currency]} is planned beside the budget.", "budget")
            elsif sum[:minor] > facts.budget[:minor]
              over = Currency.words(sum[:minor] - facts.budget[:minor], sum[:currency])
              gap("over_budget", "Its posts are planned with #{over} more than its budget.", "budget")
            end
          end
        end

        def posts
          return [gap("no_posts", "It has no post yet.", "posts")] if facts.posts.empty?

          [
            counted("no_time", facts.posts.select { |post| post[:day].nil? }, "has no time yet", "have no time yet"),
            *of_period,
            elsewhere
          ].compact
        end

        def of_period
          return [] unless facts.days

          timed = facts.posts.select { |post| post[:day] }
          outside = timed.reject { |post| span(facts.days).cover?(post[:day]) }
          first = facts.days.first..(facts.days.first + FIRST_DAYS - 1)
          open = timed.select { |post| span(first).cover?(post[:day]) && READY.none?(post[:stage]) }
          [
            counted("outside", outside, "goes out outside its period", "go out outside its period"),
            counted("first_open", open, "of its first week waits for a yes", "of its first week wait for a yes")
          ]
        end

        def elsewhere
          return if facts.channel_ids.empty?

          other = facts.posts.reject { |post| (post[:channel_ids] - facts.channel_ids).empty? }
          counted(
            "elsewhere",
            other,
            "goes out on a channel that is not its own",
            "go out on channels that are not its own"
          )
        end

        def span(days) = days.first.iso8601..days.last.iso8601

        def counted(code, posts, one, more)
          return if posts.empty?

          words = posts.one? ? "One post #{one}." : "#{posts.size} posts #{more}."
          Gap.new(code: code, sentence: words, field: "posts", posts: posts.size)
        end

        def gap(code, sentence, field)
          Gap.new(code: code, sentence: sentence, field: field, posts: nil)
        end
      end
    end
  end
end
