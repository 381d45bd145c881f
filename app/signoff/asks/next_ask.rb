# frozen_string_literal: true

module AskFirst
  module App
    module Signoff
      # What a post can be asked for: at the step that it waits at, and beside it at advisory steps, which nothing
      # waits for.
      module NextAsk
        # step: Core::Signoff::Step · adaptations: those that would be asked
        Offer = Struct.new(:step, :adaptations, keyword_init: true)

        module_function

        # @param post [Store::Posts::PostState::Post]
        # @return [Offer, nil] nil when nothing is to be asked, or an open ask about exactly this goes on
        def of(post)
          step = first_step(post) or return
          offer(post, step)
        end

        # @return [Array<Offer>] of the advisory steps
        def beside(post)
          post.steps.reject(&:required).filter_map { |step| offer(post, step) }
        end

        # What of a post would be asked at a step now.
        # @return [Array<Store::Posts::PostState::Adaptation>]
        def due(post, step)
          open_at(post, step).reject { |adaptation| asked?(adaptation, step) }
        end

        # What is not satisfied at a step; of a required one, only what waits there.
        def open_at(post, step)
          going(post).select do |adaptation|
            step.required ? adaptation.verdict.waits_at&.id == step.id : open_beside?(adaptation, step)
          end
        end

        # A step is not wanted of every channel.
        def open_beside?(adaptation, step)
          own = step_state(adaptation, step)
          !own.nil? && !own.satisfied?
        end

        # What can still go out.
        def going(post)
          post.adaptations.reject { |one| one.sent? || Core::Channels::Archived.it?(one.channel) }
        end

        def first_step(post)
          going(post).filter_map { |adaptation| adaptation.verdict.waits_at }.min_by(&:position)
        end

        # An open ask about exactly what stands, for the day that is planned, goes on; what was opened to change it
        # has none, and one that nobody can answer any more is asked anew.
        def asked?(adaptation, step)
          !adaptation.facts.opened && !adaptation.waits_for_nobody && step_state(adaptation, step).asked_as_it_stands?
        end

        def step_state(adaptation, step)
          adaptation.verdict.steps.find { |one| one.step.id == step.id }
        end

        def offer(post, step)
          found = due(post, step)
          Offer.new(step: step, adaptations: found) if found.any?
        end
        private_class_method :open_beside?, :first_step, :step_state, :offer
      end
    end
  end
end
