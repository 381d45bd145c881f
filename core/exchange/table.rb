# frozen_string_literal: true

require "csv"

module AskFirst
  module Core
    module Exchange
      # Rows as CSV (RFC 4180, with CRLF). A cell that a spreadsheet would run as a formula is written so that it does
      # not, also behind white space, signs that nobody sees, or in full width, which spreadsheets read like the plain
      # ones. Source: OWASP, "CSV Injection".
      module Table
        FORMULA = /\A(?:[\t\r]|[[:space:]\p{Cf}]*[=+\-@＝＋－＠])/

        module_function

        # @param head [Array<String>]
        # @param rows [Enumerable<Array>]
        # @return [String]
        def csv(head, rows)
          CSV.generate(row_sep: "\r\n") do |out|
            out << head
            rows.each { |row| out << row.map { |cell| cell(cell) } }
          end
        end

        def cell(value)
          text = value.is_a?(Hash) || value.is_a?(Array) ? JSON.generate(value) : value.to_s
          FORMULA.match?(text) ? "'#{text}" : text
        end
      end
    end
  end
end
