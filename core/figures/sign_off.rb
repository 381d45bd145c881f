# frozen_string_literal: true

module AskFirst
  module Core
    module Figures
      # How sign-off went in a period: how long each step took and each person, how much was in time, how much came
      # back, and when answers come. Times are the client's working hours, because those are what an ask gives.
      class SignOff
        # One post that was asked at one step. step: its name · side: internal or client · hours: that it gives ·
        # people: ids of those asked · done_at: when all of it was answered, or nil
        Line =
          Struct.new(:post_id, :step, :side, :hours, :people, :asked_at, :due_at, :done_at, keyword_init: true) do
            # @return [Boolean, nil] nil while it can still be in time
            def in_time?(now) = done_at ? done_at <= due_at : (false if due_at < now)
          end
        # What one person said on one line. given_at: when they first did · back: whether they ever wanted a change
        # there · asked_at, due_at: of the line
        Answer =
          Struct.new(:post_id, :step, :side, :person_id, :back, :given_at, :asked_at, :due_at, keyword_init: true)

        # @param lines [Array<Line>]
        # @param answers [Array<Answer>]
        # @param cleared [Array<String>] ids of posts that have had all their yeses
        # @param hours [Plan::WorkingTime] the client's
        # @param zone [String] the client's
        def initialize(lines:, answers:, cleared:, hours:, zone:, now:)
          @lines = lines
          @answers = answers
          @cleared = cleared
          @hours = hours
          @zone = zone
          @now = now
        end

        # @return [Hash] asked, back, cleared, first_time: numbers of posts. Rework rate is back of asked, the share
        #   that was right the first time is first_time of cleared
        def posts
          asked = @lines.map(&:post_id).uniq
          back = @answers.select(&:back).map(&:post_id).uniq & asked
          cleared = @cleared & asked
          { asked: asked.size, back: back.size, cleared: cleared.size, first_time: (cleared - back).size }
        end

        # @return [Array<Hash>] for each step, in the order of first use
        def steps
          @lines
            .group_by { |line| [line.step, line.side] }
            .map do |(name, side), lines|
              said = @answers.select { |one| one.step == name && one.side == side }
              {
                name: name,
                side: side,
                hours: lines.max_by(&:asked_at).hours,
                **about(lines),
                posts: lines.map(&:post_id).uniq.size,
                back: said.select(&:back).map(&:post_id).uniq.size
              }
            end
        end

        # @return [Array<Hash>] for each person who was asked, those who are asked most first
        def people
          asked = @lines.flat_map { |line| line.people.map { |person| [person, line.side] } }.tally
          said = @answers.group_by { |one| [one.person_id, one.side] }
          asked
            .map do |(id, side), count|
              own = said.fetch([id, side], [])
              {
                id: id,
                side: side,
                asked: count,
                answered: own.size,
                time: sample(own) { |one| [one.asked_at, one.given_at] },
                in_time: share(own.map { |one| one.given_at <= one.due_at }),
                back: own.count(&:back)
              }
            end
            .sort_by { |one| [-one[:asked], -one[:answered], one[:id]] }
        end

        # @return [Hash] internal and client, each: asked, open, time, in_time
        def sides
          by_side = @lines.group_by(&:side)
          %i[internal client].to_h { |side| [side, about(by_side.fetch(side.to_s, []))] }
        end

        # When answers come, by the client's clock.
        # @return [Array<Array<Integer>>] a row of 24 hours for each day, from Monday on
        def clock
          Array
            .new(7) { Array.new(24, 0) }
            .tap do |grid|
              @answers.each do |one|
                wall = Plan::WallTime.at(one.given_at, @zone).wall
                grid[wall.to_date.cwday - 1][wall.hour] += 1
              end
            end
        end

        # @return [Array<Hash>] for each week (by its Monday) and side, how long what was asked then took
        def weeks
          @lines
            .select(&:done_at)
            .group_by { |line| [monday(line.asked_at), line.side] }
            .sort
            .map { |(week, side), lines| { week: week.iso8601, side: side, time: until_done(lines) } }
        end

        # @param step [Hash] of steps
        # @return [Hash{String=>Integer}] person id => how many first answers there
        def answered_by(step)
          @answers.select { |one| [one.step, one.side] == step.values_at(:name, :side) }.map(&:person_id).tally
        end

        # @param step [Hash] of steps
        # @return [Array<String>] ids of all who were asked there
        def asked_at(step)
          @lines.select { |line| [line.step, line.side] == step.values_at(:name, :side) }.flat_map(&:people).uniq
        end

        private

        def about(lines)
          {
            asked: lines.size,
            open: lines.count { |line| line.done_at.nil? },
            time: until_done(lines),
            in_time: share(lines.map { |line| line.in_time?(@now) })
          }
        end

        def until_done(lines) = sample(lines.select(&:done_at)) { |line| [line.asked_at, line.done_at] }

        def sample(list)
          Sample.new(list.map { |one| @hours.between(*yield(one)) / 60 }).to_h
        end

        # @param known [Array<Boolean, nil>] nil: not known yet
        def share(known)
          known = known.compact
          { of: known.size, n: known.count(true) }
        end

        def monday(at)
          day = Plan::WallTime.at(at, @zone).wall.to_date
          day - (day.cwday - 1)
        end
      end
    end
  end
end
