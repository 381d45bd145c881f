# frozen_string_literal: true

module AskFirst
  module App
    module Signoff
      # What several posts can be asked for now, in as few asks as there are steps and people to be asked; and of each
      # that cannot be asked, why. A channel with a fault in the way waits, the others of its post do not.
      class Askable
        # step: Core::Signoff::Step · people: ids of those who would be asked · only: post id => ids of the channels
        Group = Struct.new(:step, :people, :only, keyword_init: true)

        # @param posts [Array<Store::Posts::PostState::Post>]
        # @param mine [#call] of adaptations, those that the asker sees
        # @param who_answers [WhoAnswers]
        # @param asker [String] person id
        # @param names [Hash{String=>String}]
        def initialize(posts, mine:, who_answers:, asker:, names:)
          @posts = posts
          @mine = mine
          @who_answers = who_answers
          @asker = asker
          @names = names
          @left = {}
        end

        # @return [Array<Group>] in the order of the route
        def groups
          @groups ||= found.values.sort_by { |group| [group.step.position, group.people] }
        end

        # @return [Hash{String=>String}] post id => why it cannot be asked, and the way on
        def left
          groups
          @left
        end

        private

        def found
          @posts.each_with_object({}) do |post, all|
            step, people, channels = one(post)
            next unless step

            group = (all[[step.id, people]] ||= Group.new(step: step, people: people, only: {}))
            group.only[post.id] = channels
          end
        end

        # @return [Array(Core::Signoff::Step, Array<String>, Array<String>), nil]
        def one(post)
          offer = NextAsk.of(post) or return leave(post, why_not(post))
          seen = @mine.call(offer.adaptations)
          return leave(post, "What is to be asked of it is on channels that you do not see.") if seen.empty?

          sound = seen.select { |adaptation| faults(adaptation).empty? }
          return leave(post, in_the_way(seen)) if sound.empty?

          [offer.step, people(offer.step, sound), sound.map { |adaptation| adaptation.row[:channel_id] }]
        rescue Core::Invalid => e
          leave(post, [e.message, e.way_on].compact.join(" "))
        end

        def people(step, adaptations)
          around = @who_answers.around(step, adaptations)
          Core::Signoff::Places.of(step, asker: @asker, around: around, names: @names).people.sort
        end

        def leave(post, why)
          @left[post.id] = why
          nil
        end

        def why_not(post)
          return "It has no channel yet. Choose one." if post.adaptations.empty?

          left = post.adaptations.reject(&:sent?)
          return "It is out." if left.empty?

          return Core::Channels::Archived.sentence(left.first.channel) if NextAsk.going(post).empty?

          waiting = NextAsk.going(post).filter_map { |adaptation| adaptation.verdict.waits_at }.min_by(&:position)
          return "It has all its yeses." unless waiting

          "It is asked already at “#{waiting.name}”, exactly as it stands. Wait for the answer, or withdraw that ask."
        end

        def in_the_way(adaptations)
          adaptations.map { |one| "#{one.channel[:name]}: #{faults(one).map(&:sentence).join(" ")}" }.join(" ")
        end

        def faults(adaptation)
          Core::Checks::PostChecks.faults(adaptation.request, adaptation.channel[:card])
        end
      end
    end
  end
end
