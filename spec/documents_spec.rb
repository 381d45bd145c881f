# frozen_string_literal: true

# What the documents point at is there.
RSpec.describe "The documents" do
  root = File.expand_path("..", __dir__)
  pages = Dir[File.join(root, "{README.md,docs/*.md}")]
  ours =
    %r{`((?:core|app|store|edge|jobs|web|ui/src|spec|bin|config|stand_ins)/[\w./-]+\.(?:rb|yaml|ts|vue|yml))(?::\d+)?`}

  it "name files that are there" do
    missing =
      pages.flat_map do |page|
        File
          .read(page)
          .scan(ours)
          .flatten
          .reject { |file| File.exist?(File.join(root, file)) }
          .map { |file| "#{File.basename(page)}: #{file}" }
      end
    expect(missing).to eq []
  end

  it "link to pages that are there" do
    missing =
      (pages + [File.join(root, "docs/decisions/README.md")]).flat_map do |page|
        File
          .read(page)
          .scan(%r{\]\(([\w./-]+\.(?:md|png))\)})
          .flatten
          .reject { |link| File.exist?(File.join(File.dirname(page), link)) }
          .map { |link| "#{File.basename(page)}: #{link}" }
      end
    expect(missing).to eq []
  end

  it "the index has every decision" do
    index = File.read(File.join(root, "docs/decisions/README.md"))
    decisions = Dir[File.join(root, "docs/decisions/0*.md")].map { |path| File.basename(path) }
    expect(decisions.reject { |name| index.include?("(#{name})") }).to eq []
  end

  it "the glossary has a row for each name of the field that stands for a class" do
    glossary = File.read(File.join(root, "docs/glossary.md"))
    %w[post_state locks subscribers file_store s3_store restore_detection duplicates text_regions].each do |name|
      expect(glossary).to include "/#{name}.rb`"
    end
  end
end
