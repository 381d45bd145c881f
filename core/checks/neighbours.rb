# frozen_string_literal: true

module AskFirst
  module Core
    module Checks
      # What goes out around a post: the same words on several channels at once (flooding), the same words on one channel again
      # (repeat), two posts of one channel close to each other (clash). Warnings, each naming the other.
      #
      # The windows are common practice, no source: an hour, 30 days, 15 minutes.
      module Neighbours
        FLOOD = 3_600
        REPEAT = 30 * 86_400
        CLASH = 15 * 60

        # One appearance: of a post, on a channel, with its words, at a moment. memo: shared by many, text => shingles, since most
        # channels follow their master
        Showing = Struct.new(:post_id, :subject, :channel_id, :channel, :text, :at, :memo, keyword_init: true) do
          def shingles = memo ? memo[text] ||= Similarity.shingles(text) : Similarity.shingles(text)
          def apart(other) = (at - other.at).abs
          def alike(other) = Similarity.between(shingles, other.shingles)
        end

        module_function

        # @param one [Showing] whose warnings are wanted
        # @param own [Array<Showing>] the same post on its other channels
        # @param others [Array<Showing>] other posts of the client
        # @param day [Proc] instant => words for its day in the client's zone
        # @return [Array<PostChecks::Finding>]
        def call(one, own, others, day)
          return [] if one.at.nil?

          own = own.reject { |other| other.at.nil? || other.channel_id == one.channel_id }
          [flood(one, own + others), repeat(one, others, day), clash(one, others)].compact
        end

        def flood(one, others)
          near = others.select { |other| other.channel_id != one.channel_id && one.apart(other) <= FLOOD && one.alike(other) >= Similarity::ALIKE }
          return if near.empty?

          closest = near.map { |other| one.apart(other) }.min
          spread = closest < 60 ? "in the same minute" : "within #{minutes(closest)}"
          PostChecks.warning("flooding", "time", "Nearly the same words go out on #{near.map(&:channel).uniq.join(', ')} #{spread}. Give them times of their own, or words.")
        end

        def repeat(one, others, day)
          same = others.select { |other| other.channel_id == one.channel_id && one.apart(other) <= REPEAT }.map { |other| [other, one.alike(other)] }
          found, share = same.select { |_, alike| alike >= Similarity::ALIKE }.max_by(&:last)
          return unless found

          PostChecks.warning("repeat", "text", "#{(share * 100).floor} % the same as “#{name(found)}”, which is here on #{day.call(found.at)}.")
        end

        def clash(one, others)
          near = others.select { |other| other.channel_id == one.channel_id && one.apart(other) < CLASH }.min_by { |other| one.apart(other) }
          return unless near

          PostChecks.warning("clash", "time", "“#{name(near)}” goes out here #{between(one, near)}.")
        end

        def between(one, near)
          apart = one.apart(near)
          return "in the same minute" if apart < 60

          "#{minutes(apart)} #{near.at < one.at ? 'before' : 'after'}"
        end

        def minutes(seconds)
          count = (seconds / 60).round
          count == 1 ? "a minute" : "#{count} minutes"
        end

        def name(showing)
          showing.subject.strip.empty? ? "Untitled" : showing.subject
        end
      end
    end
  end
end
