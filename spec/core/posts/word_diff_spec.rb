# frozen_string_literal: true

require "prop_check"

RSpec.describe AskFirst::Core::Posts::WordDiff do
  def read(before, after)
    described_class
      .runs(before, after)
      .map { |run| { "same" => run.words, "gone" => "[-#{run.words}-]", "new" => "{+#{run.words}+}" }.fetch(run.kind) }
      .join
  end

  it "shows what stayed, what is gone and what is new, by words" do
    expect(read("The 7:20 waits.", "The 7:20 waits.")).to eq "The 7:20 waits."
    expect(read("The early boat waits.", "The late boat waits!")).to eq "The [-early-]{+late+} boat waits[-.-]{+!+}"
    expect(read("", "New words")).to eq "{+New words+}"
    expect(read("Old words", "")).to eq "[-Old words-]"
  end

  it "keeps a word with its marks whole, and white space as it is" do
    expect(read("It’s naïve", "It’s not naïve")).to eq "It’s {+not +}naïve"
    expect(read("One\ntwo", "One\n\ntwo")).to eq "One[-\n-]{+\n\n+}two"
  end

  it "gives both texts back, for any words" do
    texts =
      PropCheck::Generators.array(
        PropCheck::Generators.one_of(
          *["boat", " ", "fog", ".", "\n", "pier", "é"].map { |token| PropCheck::Generators.constant(token) }
        )
      )
    PropCheck.forall(texts, texts) do |one, other|
      before = one.join
      after = other.join
      runs = described_class.runs(before, after)
      expect(runs.reject { |run| run.kind == "new" }.map(&:words).join).to eq before
      expect(runs.reject { |run| run.kind == "gone" }.map(&:words).join).to eq after
    end
  end
end
