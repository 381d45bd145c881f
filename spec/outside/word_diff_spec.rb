# frozen_string_literal: true

require "tempfile"

# Reference: GNU diff with --minimal, one word a line: the fewest words taken out and put in.
RSpec.describe "Word differences against GNU diff" do
  def changed_by_gnu_diff(before, after)
    files =
      [before, after].map do |words|
        Tempfile.new("words").tap { |file| file.write(words.map { |word| "#{word}\n" }.join) && file.close }
      end
    IO.popen(["diff", "--minimal", *files.map(&:path)], &:read).lines.count { |line| line.start_with?("<", ">") }
  ensure
    files&.each(&:unlink)
  end

  def changed_by_us(before, after)
    AskFirst::Core::Posts::WordDiff
      .runs(before.join(" "), after.join(" "))
      .reject { |run| run.kind == "same" }
      .sum { |run| run.words.scan(/\p{L}+/).size }
  end

  random = Random.new(2_026)
  vocabulary = %w[boat fog pier lamp waits the until far green amber]
  30.times do |number|
    before = Array.new(random.rand(1..25)) { vocabulary.sample(random: random) }
    after = before.dup
    random.rand(0..6).times { after[random.rand(after.size)] = vocabulary.sample(random: random) }
    after.delete_at(random.rand(after.size)) if after.size > 1

    it "changes no more words than needed, pair #{number + 1}" do
      # white space between words can tip the balance by a word
      expect(changed_by_us(before, after)).to be_within(2).of(changed_by_gnu_diff(before, after))
    end
  end
end
