# frozen_string_literal: true

module AskFirst
  module App
    module Signoff
      # The step that a post should be asked at next, whom that would ask, and about what. JSON-ready.
      module NextAsk
        module_function

        # @param post [Store::Posts::Standing::Post]
        # @param asker [String] person id
        # @param names [Hash] person id => name
        # @param hours [Core::Plan::WorkingTime] the client's
        # @param replace [Proc] step and people => people, with whoever stands in for who is away
        # @return [Hash, nil] nil when nothing is to be asked, or an open ask about exactly this goes on
        def of(post, asker, names, now, hours:, replace:)
          step = first_step(post) or return
          due = post.adaptations.reject(&:sent?).select { |adaptation| adaptation.verdict.waits_at&.id == step.id && !asked?(adaptation, step) }
          return if due.empty?

          { step_id: step.id, name: step.name, side: step.side, hours: step.hours, people: step.people_for(asker, replace.call(step, step.people)).filter_map { |id| names[id] }.sort,
            due_at: hours.add(now, step.hours * 60).iso8601, channels: due.map { |adaptation| adaptation.channel.slice(:id, :name) } }
        end

        def first_step(post)
          post.adaptations.reject(&:sent?).filter_map { |adaptation| adaptation.verdict.waits_at }.min_by(&:position)
        end

        # An open ask about exactly what stands goes on; what was opened to change it has none.
        def asked?(adaptation, step)
          !adaptation.facts.opened && adaptation.facts.asked.any? { |asked|
            asked.open && asked.step_id == step.id && asked.fingerprint == adaptation.fingerprint
          }
        end
      end
    end
  end
end
