# frozen_string_literal: true

require "caxlsx"

module AskFirst
  module Web
    # Rows as files that other programs open: CSV (RFC 4180, UTF-8 with a mark, which spreadsheets need to read it as
    # such) and XLSX (ECMA-376). What somebody typed never becomes a formula there (Core::Exchange::Table).
    module SheetFiles
      CSV_TYPE = "text/csv;charset=utf-8"
      XLSX_TYPE = "application/vnd.openxmlformats-officedocument.spreadsheetml.sheet"
      MARK = "\u{FEFF}"

      module_function

      # @param columns [Array<String>]
      # @param rows [Array<Array<String>>]
      # @return [String]
      def csv(columns, rows) = MARK + Core::Exchange::Table.csv(columns, rows)

      # @return [String] bytes
      def xlsx(title, columns, rows)
        package = Axlsx::Package.new
        book = package.workbook
        bold = book.styles.add_style(b: true)
        book.add_worksheet(name: title) do |sheet|
          sheet.add_row(columns, style: bold)
          rows.each { |row| sheet.add_row(row, types: :string, escape_formulas: true) }
          sheet.sheet_view.pane do |pane|
            pane.state = :frozen
            pane.y_split = 1
          end
        end
        package.to_stream.read
      end
    end
  end
end
