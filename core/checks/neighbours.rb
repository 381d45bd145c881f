# frozen_string_literal: true

module AskFirst
  module Core
    module Checks
      # What goes out around a post: the same words on several channels at once (flooding; flooding_nearby where
      # another post says them), the same words on one channel again (repeat), two posts of one channel close to each
      # other (clash). Warnings, each naming the other.
      #
      # The windows are common practice, no source: a quarter of an hour, 30 days, a quarter of an hour. All at 7:30
      # is a flood;
      # 7:30, 7:50 and 12:10 are none.
      module Neighbours
        FLOOD = 15 * 60
        REPEAT = 30 * 86_400
        CLASH = 15 * 60
        WIDEST = [FLOOD, CLASH].max

        # One appearance: of a post, on a channel, with its words, at a moment. memo: shared by many, text =>
        # shingles, since most channels follow their master
        Showing =
          Struct.new(:post_id, :subject, :channel_id, :channel, :text, :at, :memo, keyword_init: true) do
            def shingles = memo ? memo[text] ||= Similarity.shingles(text) : Similarity.shingles(text)
            def apart(other) = (at - other.at).abs
            def alike(other) = Similarity.between(shingles, other.shingles)
          end

        module_function

        # @param one [Showing] whose warnings are wanted
        # @param own [Array<Showing>] the same post on all its channels, this one too, in their order
        # @param others [Array<Showing>, Timeline] other posts of the client
        # @param day [Proc] instant => words for its day in the client's zone
        # @return [Array<PostChecks::Finding>]
        def call(one, own, others, day)
          return [] if one.at.nil?

          others = Timeline.of(others)
          [flood(one, own), nearby(one, others), repeat(one, others, day), clash(one, others)].compact
        end

        # Whether two showings say nearly the same on different channels at once.
        def floods?(one, other)
          other.at && other.channel_id != one.channel_id && one.apart(other) < FLOOD &&
            one.alike(other) >= Similarity::ALIKE
        end

        # Whether two showings of one channel stand beside each other.
        def clashes?(one, other)
          other.at && other.channel_id == one.channel_id && one.apart(other) < CLASH
        end

        # Whether one channel would say nearly the same again too soon.
        def repeats?(one, other)
          other.at && other.channel_id == one.channel_id && one.apart(other) <= REPEAT &&
            one.alike(other) >= Similarity::ALIKE
        end

        # One flood is said in the same words on each of its channels.
        def flood(one, own)
          heap = own.select { |other| other.channel_id == one.channel_id || floods?(one, other) }
          return if heap.size < 2

          span = heap.map(&:at).minmax.then { |first, last| last - first }
          spread = span < 60 ? "in the same minute" : "within #{minutes(span)}"
          PostChecks.warning(
            "flooding",
            "time",
            "Nearly the same words go out on #{listed(heap.map(&:channel))} #{spread}. Give them times of their own, " \
              "or words."
          )
        end

        def nearby(one, others)
          near = others.near(one.at, FLOOD).select { |other| floods?(one, other) }.min_by { |other| one.apart(other) }
          near &&
            PostChecks.warning(
              "flooding_nearby",
              "time",
              "“#{name(near)}” says nearly the same on #{near.channel} #{between(one, near)}."
            )
        end

        def repeat(one, others, day)
          same =
            others
              .on(one.channel_id)
              .select { |other| one.apart(other) <= REPEAT }
              .map { |other| [other, one.alike(other)] }
          found, share = same.select { |_, alike| alike >= Similarity::ALIKE }.max_by(&:last)
          return unless found

          PostChecks.warning(
            "repeat",
            "text",
            "#{(share * 100).floor} % the same as “#{name(found)}”, which is here on #{day.call(found.at)}."
          )
        end

        def clash(one, others)
          near = others.near(one.at, CLASH).select { |other| clashes?(one, other) }.min_by { |other| one.apart(other) }
          near && PostChecks.warning("clash", "time", "“#{name(near)}” goes out here #{between(one, near)}.")
        end

        def between(one, near)
          apart = one.apart(near)
          return "in the same minute" if apart < 60

          "#{minutes(apart)} #{near.at < one.at ? "before" : "after"}"
        end

        def minutes(seconds)
          count = (seconds / 60).round
          count == 1 ? "a minute" : "#{count} minutes"
        end

        def listed(names)
          names.size == 1 ? names.first : "#{names[0..-2].join(", ")} and #{names.last}"
        end

        def name(showing)
          showing.subject.strip.empty? ? "Untitled" : showing.subject
        end
      end
    end
  end
end
