# frozen_string_literal: true

module AskFirst
  module Core
    module Signoff
      # Where one adaptation stands and why. The one judge: shown, filtered by, asked when released and again in the
      # moment before sending. No clock, no database: everything comes in with Facts.
      class Verdict
        attr_reader :facts, :blocks, :steps

        # @param facts [Facts]
        # @param now [Time]
        def self.call(facts, now)
          new(facts, now)
        end

        def initialize(facts, now)
          @facts = facts
          @now = now
          @blocks = Blocks.of(facts)
          @steps = facts.steps.map { |step| StepState.new(step, facts, @blocks) }
        end

        # @return [String] one of Stages::NAMES
        def stage
          @stage ||= Stages.first_that_fits(self)
        end

        # @return [Time, nil] when time alone will change the stage
        def changes_at
          holds_now.map(&:until).compact.min if stage == "held"
        end

        # Every required step has its yeses for exactly what would go out now; nothing blocks; nobody has it open.
        def releasable?
          blocks.empty? && !drafting? && waits_at.nil? && !facts.fingerprint.nil?
        end

        # A live release that is for other content or another time than what would go out now does not count.
        def release_stands?
          !facts.released.nil? && releasable? && facts.released[:fingerprint] == facts.fingerprint &&
            facts.released[:time].same_instant?(facts.time)
        end

        # @return [Array<Answer>] what blocks at one step
        def blocks_at(step_id) = blocks.select { |answer| answer.step_id == step_id }

        # What a change of material content must be opened for first.
        def sealed?
          return true if %w[sending unclear out].include?(facts.showing)

          !facts.opened && (open_ask? || counting_yes? || !facts.released.nil?)
        end

        # Whether the time, too, must be unlocked before it is changed.
        def time_locked?
          facts.locks_time && sealed? && releasable?
        end

        def sending?
          %w[sending unclear].include?(facts.showing)
        end

        def held?
          holds_now.any?
        end

        def drafting?
          facts.opened || (required.empty? ? !ready? : !open_ask? && !counting_yes? && !skipped_on_record?)
        end

        # @return [Step, nil] the first required step that is not satisfied
        def waits_at
          required.find { |standing| !standing.satisfied? }&.step
        end

        private

        def required
          steps.select { |standing| standing.step.required }
        end

        def open_ask?
          facts.asked.any?(&:open)
        end

        def counting_yes?
          steps.any? { |standing| standing.counting.any? }
        end

        def skipped_on_record?
          steps.any?(&:skipped?)
        end

        def ready?
          !facts.fingerprint.nil? && facts.ready == facts.fingerprint
        end

        def holds_now
          facts.holds.select { |hold| hold.until.nil? || hold.until > @now }
        end
      end
    end
  end
end
