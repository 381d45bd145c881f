# frozen_string_literal: true

RSpec.describe "A newer version of a medium" do
  let(:swap) { AskFirst::Core::Media::Swap }
  let(:effect) { AskFirst::Core::Media::VersionEffect }

  describe "in a part of a post" do
    it "takes the place of the one before, and stands there once" do
      expect(swap.value("media", %w[a b c], "b", "n")).to eq %w[a n c]
      expect(swap.value("media", %w[a b n], "b", "n")).to eq %w[a n]
      expect(swap.value("media", %w[a c], "b", "n")).to be_nil
    end

    it "keeps what is said of it, over what was said of the newer one there" do
      expect(swap.value("descriptions", { "a" => "One", "b" => "Two", "n" => "Old" }, "b", "n")).to eq(
        "a" => "One",
        "n" => "Two"
      )
      expect(swap.value("framing", { "a" => { "x" => 1 } }, "b", "n")).to be_nil
    end

    it "is the picture of a link's card, and what people are tagged in" do
      link = { "url" => "https://quillmere.example", "card" => { "title" => "T", "picture" => "b" } }
      expect(swap.value("link", link, "b", "n")["card"]).to eq("title" => "T", "picture" => "n")
      expect(swap.value("link", link.except("card"), "b", "n")).to be_nil
      spots = [{ "media" => "a", "name" => "X" }, { "media" => "b", "name" => "Y" }]
      expect(swap.value("tagged", spots, "b", "n").map { |spot| spot["media"] }).to eq %w[a n]
    end
  end

  describe "for a post as it stands" do
    it "changes a draft, waits for what is sealed, and leaves what is being sent or out" do
      told = ->(**said) { effect.of(out: false, going: [], sealed: [], **said) }
      expect(told.call).to eq(effect: "changes", why: "")
      expect(told.call(sealed: %w[Ticker Vitrine])).to eq(
        effect: "sealed",
        why: "Sealed for Ticker, Vitrine: unlock it there first."
      )
      expect(told.call(sealed: %w[Ticker], going: %w[Vitrine])[:effect]).to eq "stays"
      expect(told.call(out: true)).to eq(effect: "stays", why: "It is out, and stays as it is.")
    end
  end
end
