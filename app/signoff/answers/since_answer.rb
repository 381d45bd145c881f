# frozen_string_literal: true

module AskFirst
  module App
    module Signoff
      # What is different of an adaptation since its reader last answered about it: by word, by picture, by setting.
      class SinceAnswer
        # @param scope [Store::Scope] of one workspace
        # @param person_id [String] the reader
        # @param shown [Array<Hash>] of Store::Signoff::AskedRows, what they look at now
        def initialize(scope, person_id, shown)
          @scope = scope
          @person_id = person_id
          @shown = shown
        end

        # @param row [Hash] of Store::Signoff::AskedRows
        # @return [Hash, nil] JSON-ready; nil where they have not answered about this adaptation before
        def of(row)
          answer = answers[row[:adaptation_id]] or return
          earlier = before[answer.values_at(:line_id, :adaptation_id)] or return
          return if earlier[:line_id] == row[:line_id]

          diff = Core::Posts::RevisionDiff.call(kept(earlier), kept(row))
          {
            verdict: answer[:verdict],
            words: answer[:words],
            at: answer[:given_at].iso8601,
            same: diff[:change] == "same",
            runs: diff[:text].map(&:to_h),
            text: earlier[:request]["text"] != row[:request]["text"],
            pictures: diff[:media][:changed],
            lines: diff[:lines]
          }
        end

        private

        # The newest of each adaptation, given before what they look at now was asked.
        def answers
          @answers ||=
            @scope
              .rows(:answers)
              .where(person_id: @person_id, adaptation_id: @shown.map { |row| row[:adaptation_id] }.uniq)
              .exclude(line_id: @shown.map { |row| row[:line_id] }.uniq)
              .order(:order_no)
              .to_hash(:adaptation_id)
        end

        def before
          @before ||=
            Store::Signoff::AskedRows
              .of(@scope, answers.values.map { |one| one[:line_id] }.uniq)
              .to_h { |row| [row.values_at(:line_id, :adaptation_id), row] }
        end

        def kept(row)
          time = row[:wall] && Core::Plan::WallTime.new(row[:wall], row[:zone])
          Core::Posts::RevisionDiff::Kept.new(request: row[:request], fingerprint: row[:fingerprint], time: time)
        end
      end
    end
  end
end
