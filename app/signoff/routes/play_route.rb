# frozen_string_literal: true

module AskFirst
  module App
    module Signoff
      # Plays a real post through a route as it is being written, and says in words what would happen. Nothing is
      # written.
      class PlayRoute < RouteAct
        reads :post, "change_route", lock: false, stand: true

        # @param steps [Array<Hash>] as of Core::Signoff::RouteDraft.clean
        # @return [Array<Hash>] JSON-ready, for the channels that take one way: channels (names), steps: name, side,
        #   wanted, words
        def call(post_id:, steps:, releases_itself: false)
          written = clean(steps).each_with_index.map { |step, position| core_step(step, position) }
          ways = ways_of(written)
          ways
            .group_by { |_, way| way }
            .map do |way, channels|
              { channels: channels.map(&:first), steps: way, after: after(written, releases_itself) }
            end
        end

        private

        def ways_of(steps)
          return [["no channel yet", way(steps, nil)]] if post.adaptations.empty?

          post.adaptations.map { |one| [one.channel[:name], way(steps, one)] }
        end

        # Each answers at the last moment; the next is asked then.
        def way(steps, adaptation)
          from = now
          steps.map do |step|
            facts = facts(adaptation)
            next said(step, false, "Is not asked: #{step.condition.why_not(facts, called)}.") unless step.wanted?(facts)

            due = Core::Signoff::Due.after(hours, from, step.hours)
            from = due if step.required
            said(step, true, sentence(step, adaptation, due))
          end
        end

        def said(step, wanted, words) = { name: step.name, side: step.side, wanted: wanted, words: words }

        def sentence(step, adaptation, due)
          around = who_answers.around(step, [adaptation].compact)
          places = Core::Signoff::Places.of(step, asker: member.person_id, around: around, names: names)
          "#{whom(step, places)}, by #{day(due)}.#{" Nothing waits for it." unless step.required}"
        rescue Core::Invalid => e
          "Cannot be asked: #{e.message} #{e.way_on}"
        end

        def whom(step, places)
          people = places.people.map { |id| names.fetch(id) }.sort
          return "#{people.first} is asked" if people.one?

          many = { "all" => "and each must say yes", "any" => "and one yes is enough" }
          "#{list(people)} are asked, #{many.fetch(step.quorum) { "and #{places.to_a.size} of them must say yes" }}"
        end

        def after(steps, releases_itself)
          return "Somebody who may release marks it ready." if steps.none?(&:required)

          releases_itself ? "Then it releases itself for its time." : "Then somebody releases it for its time."
        end

        def facts(adaptation)
          post.source.demands.facts(
            post.row,
            adaptation&.row&.fetch(:channel_id),
            adaptation ? adaptation.parts : post.master
          )
        end

        def day(at) = Core::Plan::WallTime.at(at, workspace[:zone]).wall.strftime("%a %-d %B, %-H:%M")
        def hours = @hours ||= Store::Clients::Hours.of(workspace)
        def who_answers = @who_answers ||= WhoAnswers.new(scope, colleagues, now, member.zone)
        def list(words) = words.size < 2 ? words.join : "#{words[0...-1].join(", ")} and #{words.last}"
      end
    end
  end
end
