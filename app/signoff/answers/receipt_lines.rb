# frozen_string_literal: true

module AskFirst
  module App
    module Signoff
      # What a receipt is for: each post that its person said yes to, with the words and the time that they saw.
      module ReceiptLines
        module_function

        # @param scope [Store::Scope] of one workspace
        # @return [Array<Hash>] a line each: :post_id, :step_id, :given_by, :given_at, :words, :wall, :text, :channels,
        #   :answers (rows)
        def of(scope, receipt_id)
          answers =
            scope
              .rows(:answers)
              .where(id: scope.rows(:receipt_answers).where(receipt_id: receipt_id).select(:answer_id))
              .order(:order_no)
              .all
          asked = Store::Signoff::AskedRows.of(scope, answers.map { |one| one[:line_id] }.uniq)
          shown = asked.to_h { |row| [about(row), row] }
          answers
            .group_by { |one| [one[:line_id], shown.dig(about(one), :request, "text")] }
            .map { |_, own| line(own, asked & own.map { |one| shown.fetch(about(one)) }) }
        end

        def about(row) = row.values_at(:line_id, :adaptation_id)
        private_class_method :about

        def line(own, rows)
          {
            **own.first.slice(:post_id, :step_id, :given_by, :given_at, :words, :person_id),
            wall: rows.first[:wall],
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
