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
          return leave(post, Core::Signoff::NotAsked::HIDDEN) if seen.empty?

          faults = seen.to_h { |adaptation| [adaptation, faults(adaptation)] }
          stop = Core::Signoff::NotAsked.in_the_way(faults.map { |one, sentences| [one.channel[:name], sentences] })
          return leave(post, stop) if stop

          sound = seen.select { |adaptation| faults[adaptation].empty? }
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
          going = NextAsk.going(post)
          Core::Signoff::NotAsked.why(
            channels: post.adaptations.size,
            unsent: post.adaptations.reject(&:sent?).map(&:channel),
            waits_at: going.filter_map { |adaptation| adaptation.verdict.waits_at }.min_by(&:position)
          )
        end

        # @return [Array<String>] sentences
        def faults(adaptation)
          Core::Checks::PostChecks.faults(adaptation.request, adaptation.channel[:card]).map(&:sentence)
        end
      end
    end
  end
end
