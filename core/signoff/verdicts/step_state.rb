# frozen_string_literal: true

module AskFirst
  module Core
    module Signoff
      # Where one step stands for one adaptation, with the state that its stamp shows.
      class StepState
        STATES = %w[not_asked asked yes change skipped void].freeze

        attr_reader :step

        def initialize(step, facts, blocks)
          @step = step
          @facts = facts
          @blocks = blocks.select { |answer| answer.step_id == step.id }
        end

        def state
          return "change" if @blocks.any?
          return "skipped" if skipped?
          return "yes" if satisfied?
          return "asked" if open_ask
          return "void" if any_old_yes?

          "not_asked"
        end

        # Every place that is not struck is filled, for exactly the content and time that stand now. A step that was
        # never asked has no places, and silence is never a yes.
        def satisfied?
          skipped? || (!places.empty? && open_places_filled? && named_places_filled?)
        end

        def skipped?
          ruling?("skip")
        end

        # @return [Array<Answer>] the yeses that count now, one a person
        def counting
          @counting ||= latest_verdicts.select { |answer| counts?(answer) }
        end

        # Each person's latest word here, whatever content it was about. A yes on a line that had ended is none of
        # them: it lifts its giver's block and leaves an earlier good yes as it is.
        def latest_verdicts
          @latest_verdicts ||=
            @facts
              .answers
              .select { |answer| answer.step_id == step.id && (answer.eligible || !answer.yes?) }
              .group_by(&:person_id)
              .map { |_, given| given.max_by(&:order) }
        end

        def open_ask
          @facts.asked.select { |asked| asked.step_id == step.id && asked.open }.max_by(&:order)
        end

        # An open ask about exactly this content, for a time that still holds: it goes on, and need not be asked anew.
        def asked_as_it_stands?
          @facts.asked.any? do |asked|
            asked.step_id == step.id && asked.open && asked.fingerprint == @facts.fingerprint &&
              @facts.holds_for?(asked.time)
          end
        end

        # Its open ask is for another day than the one that is planned now: what is answered there could not count.
        def asked_for_another_time?
          !open_ask.nil? && !@facts.holds_for?(open_ask.time)
        end

        # @return [Array<String>] who is still to answer an open ask
        def waiting_for
          return [] unless open_ask && !satisfied?

          said =
            latest_verdicts
              .select { |answer| answer.fingerprint == @facts.fingerprint && answer.order > open_ask.order }
              .map(&:person_id)
          named = places.compact
          (named.empty? ? open_ask.people : named) - said - counting.map(&:person_id)
        end

        # Every place that is not struck. The places were fixed when the step was last asked.
        # @return [Array<String, nil>] a person's own, or nil for one open to any of those asked
        def places
          @places ||=
            begin
              fixed = @facts.asked.select { |asked| asked.step_id == step.id }.max_by(&:order)&.places || []
              left = without_struck(fixed)
              left.empty? ? fixed : left # the last place cannot be struck
            end
        end

        # @return [Array<String, nil>] the places that nobody has filled yet
        def open_places
          given = counting.map(&:person_id)
          named = places.compact.reject { |person| given.include?(person) || ruling?("fill", person) }
          open = places.count(&:nil?) - (given - places.compact).size - filled_by_ruling
          named + ([nil] * [open, 0].max)
        end

        # @return [Array<Ruling>] places that count as filled by a ruling
        def fills
          @facts.rulings.select { |one| one.kind == "fill" && one.step_id == step.id && here?(one) }
        end

        # @return [Array<Ruling>] blocks of somebody who had left that were set aside here, whatever was written since
        def set_aside
          @facts.rulings.select { |one| one.kind == "set_aside" && one.step_id == step.id }
        end

        # An open ask that those who were asked cannot give its yeses any more: too few of them could still answer.
        # @param able [Array<String>] ids of those who may answer here now
        def waits_for_nobody?(able)
          return false if open_ask.nil? || satisfied? || @blocks.any?

          named = open_places.compact
          given = counting.map(&:person_id)
          free = open_ask.people - places.compact - given
          (named - able).any? || (free & able).size < open_places.count(&:nil?)
        end

        private

        def without_struck(fixed)
          named = fixed.compact.reject { |person| ruling?("strike", person) }
          struck = @facts.rulings.count { |one| one.kind == "strike" && open_place?(one) }
          named + ([nil] * [fixed.count(&:nil?) - struck, 0].max)
        end

        def open_place?(ruling) = ruling.step_id == step.id && ruling.place_person_id.nil? && here?(ruling)
        def here?(ruling) = ruling.fingerprint == @facts.fingerprint
        def filled_by_ruling = @facts.rulings.count { |one| one.kind == "fill" && open_place?(one) }

        def counts?(answer)
          answer.verdict == "yes" && answer.eligible && !(step.four_eyes && answer.author) &&
            answer.fingerprint == @facts.fingerprint && !@facts.fingerprint.nil? && @facts.holds_for?(answer.time)
        end

        def named_places_filled?
          places.compact.all? do |person|
            counting.any? { |answer| answer.person_id == person } || ruling?("fill", person)
          end
        end

        def open_places_filled? = counting.size + filled_by_ruling >= places.count(&:nil?)

        def ruling?(kind, person = nil)
          @facts.rulings.any? do |ruling|
            ruling.kind == kind && ruling.step_id == step.id && ruling.place_person_id == person &&
              ruling.fingerprint == @facts.fingerprint
          end
        end

        def any_old_yes?
          latest_verdicts.any? { |answer| answer.verdict == "yes" && !counts?(answer) }
        end
      end
    end
  end
end
