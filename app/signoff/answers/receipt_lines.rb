# frozen_string_literal: true

module AskFirst
  module App
    module Signoff
      # What a receipt is for: each post that has their yes, with the words and the time that they were shown, and who
      # said it: they, or a colleague of the agency in their name.
      module ReceiptLines
        module_function

        # @param scope [Store::Scope] of one workspace
        # @return [Array<Hash>] a line each: :id, :post_id, :step_id, :person_id, :by (the colleague who said it; nil
        #   where it was the person), :given_at, :words, :wall, :zone, :text, :channels, :disowned_at, :answers (rows)
        def of(scope, receipt_id)
          disowned = scope.rows(:receipt_answers).where(receipt_id: receipt_id).select_hash(:answer_id, :disowned_at)
          answers = scope.rows(:answers).where(id: disowned.keys).order(:order_no).all
          asked = Store::Signoff::AskedRows.of(scope, answers.map { |one| one[:line_id] }.uniq)
          shown = asked.to_h { |row| [about(row), row] }
          answers
            .group_by { |one| [one[:line_id], one[:given_by], shown.dig(about(one), :request, "text")] }
            .map { |_, own| line(own, asked & own.map { |one| shown.fetch(about(one)) }, disowned) }
        end

        # @param line [Hash] as above
        # @return [Boolean] whether somebody else said it in the person's name
        def in_name?(line) = !line[:by].nil?

        def about(row) = row.values_at(:line_id, :adaptation_id)
        private_class_method :about

        def line(own, rows, disowned)
          first = own.first
          {
            **first.slice(:id, :post_id, :step_id, :given_at, :words, :person_id),
            by: first[:given_by] == first[:person_id] ? nil : first[:given_by],
            disowned_at: own.filter_map { |one| disowned.fetch(one[:id]) }.min,
            wall: rows.first[:wall],
            zone: rows.first[:zone],
            text: rows.first[:request]["text"],
            channels: rows.map { |row| row[:channel] },
            answers: own
          }
        end
        private_class_method :line
      end
    end
  end
end
