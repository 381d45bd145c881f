# frozen_string_literal: true

require "roo"
require "open3"
require "tempfile"

# The sheets that we write (csv, caxlsx), read back by libraries that did not write them (roo; papaparse in JavaScript).
RSpec.describe "The plan as a sheet, outside" do
  let(:columns) { %w[day subject] }
  let(:rows) do
    [
      ["2026-10-15", "Fog days, “how; to know”"],
      ["2026-10-16", "two\nlines"],
      %w[2026-10-17 =SUM(A1:A9)],
      ["2026-10-18", "+351 21 000"],
      ["2026-10-19", "⛴ עברית"],
      ["2026-10-20", " =1+1"],
      %w[2026-10-21 ＝1+1],
      ["2026-10-22", "\u200B@SUM(1)"]
    ]
  end

  it "as XLSX is read by roo: every cell a string as it was written, no formula" do
    file =
      Tempfile
        .new(%w[plan .xlsx])
        .tap { |one| one.binmode.write(AskFirst::Web::SheetFiles.xlsx("Plan", columns, rows)) }
    file.flush
    sheet = Roo::Excelx.new(file.path).sheet("Plan")
    expect(sheet.to_a).to eq [columns, *rows]
    expect((1..9).map { |row| sheet.formula?(row, 2) }.uniq).to eq [false]
  end

  it "as XLSX has days as days and hours as hours, which a program can sort and count with" do
    rows = [["2026-10-15", "07:30", "Fog days"], ["2026-10-16", "", "2026-10-16"]]
    bytes = AskFirst::Web::SheetFiles.xlsx("Plan", %w[day time subject], rows, AskFirst::App::Plan::Sheet::KINDS)
    file = Tempfile.new(%w[plan .xlsx]).tap { |one| one.binmode.write(bytes) }
    file.flush
    sheet = Roo::Excelx.new(file.path).sheet("Plan")
    expect([sheet.celltype(2, 1), sheet.cell(2, 1)]).to eq [:date, Date.new(2026, 10, 15)]
    expect([sheet.celltype(2, 2), sheet.cell(2, 2)]).to eq [:time, ((7 * 60) + 30) * 60]
    expect([sheet.celltype(3, 3), sheet.cell(3, 3)]).to eq [:string, "2026-10-16"]
    expect(sheet.cell(3, 2).to_s).to eq ""
  end

  it "as CSV is read by papaparse: the same cells, what could be a formula behind an apostrophe" do
    text = AskFirst::Web::SheetFiles.csv(columns, rows)
    expect(text.bytes.first(3)).to eq [0xEF, 0xBB, 0xBF]
    script = <<~JS
      import papa from 'papaparse'
      import { readFileSync } from 'node:fs'
      console.log(JSON.stringify(papa.parse(readFileSync(0, 'utf8'), { skipEmptyLines: true }).data))
    JS
    out, status =
      Open3.capture2("node", "--input-type=module", "-e", script, stdin_data: text, chdir: "#{__dir__}/../../ui")
    expect(status).to be_success
    told = rows.map { |day, subject| [day, subject.match?(/\A[ \u200B]?[=+＝@]/) ? "'#{subject}" : subject] }
    expect(JSON.parse(out)).to eq [columns, *told]
  end
end
