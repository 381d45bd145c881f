# frozen_string_literal: true

require "yaml"

# bin/mutations breaks these rules one at a time; here only that each of its lines still is a change of what stands in
# the code.
RSpec.describe "The table of mutations" do
  all = YAML.load_file(File.join(__dir__, "../support/mutations.yml"))

  it "changes what stands once in its file, and names specs that are there" do
    all.each do |one|
      text = File.read(File.join(AskFirst::ROOT, one["file"]))
      expect([one["name"], text.scan(one["from"]).size]).to eq [one["name"], 1]
      expect(one["to"]).not_to eq one["from"]
      one["specs"].each { |path| expect(File).to exist(File.join(AskFirst::ROOT, path)) }
    end
  end
end
