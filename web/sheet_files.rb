# frozen_string_literal: true

require "caxlsx"

module AskFirst
  module Web
    # Rows as files that other programs open: CSV (RFC 4180, UTF-8 with a mark, which spreadsheets need to read it as
    # such) and XLSX (ECMA-376). What somebody typed never becomes a formula there (Core::Exchange::Table).
    module SheetFiles
      CSV_TYPE = "text/csv;charset=utf-8"
      XLSX_TYPE = "application/vnd.openxmlformats-officedocument.spreadsheetml.sheet"
      CLOCK = /\A(\d\d):(\d\d)\z/
      LOOKS = { day: "yyyy-mm-dd", clock: "hh:mm" }.freeze
      MARK = "\u{FEFF}"

      module_function

      # @param columns [Array<String>]
      # @param rows [Array<Array<String>>]
      # @return [String]
      def csv(columns, rows) = MARK + Core::Exchange::Table.csv(columns, rows)

      # @param kinds [Hash{String=>Symbol}] of columns that are more than text: :day ("2026-10-15"), :clock ("07:30")
      # @return [String] bytes
      def xlsx(title, columns, rows, kinds = {})
        package = Axlsx::Package.new
        book = package.workbook
        bold = book.styles.add_style(b: true)
        looks = LOOKS.transform_values { |code| book.styles.add_style(format_code: code) }
        of = columns.map { |column| kinds[column] }
        book.add_worksheet(name: title) do |sheet|
          sheet.add_row(columns, style: bold)
          rows.each do |row|
            cells = row.zip(of).map { |text, kind| cell(text, kind) }
            styles = of.zip(cells).map { |kind, (_, type)| type == :string ? nil : looks[kind] }
            sheet.add_row(cells.map(&:first), types: cells.map(&:last), style: styles, escape_formulas: true)
          end
          sheet.sheet_view.pane do |pane|
            pane.state = :frozen
            pane.y_split = 1
          end
        end
        package.to_stream.read
      end

      # @return [Array(Object, Symbol)] what stands in the cell, and its type; what is no day or hour stays text
      def cell(text, kind)
        case kind
        when :day
          [Date.iso8601(text), :date]
        when :clock
          hours, minutes = CLOCK.match(text)&.captures
          hours ? [((hours.to_i * 60) + minutes.to_i) / 1_440.0, :float] : [text, :string]
        else
          [text, :string]
        end
      rescue Date::Error
        [text, :string]
      end
      private_class_method :cell
    end
  end
end
