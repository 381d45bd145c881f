# frozen_string_literal: true

RSpec.describe AskFirst::Core::People::Password do
  # NIST SP 800-63B, 5.1.1.2, from memory: length counts, kinds of characters do not, context-specific words are refused
  {
    "short" => /at least 12/,
    "a" * 201 => /at most 200/,
    "tab\tin the middle of it" => /control/,
    "aaaaaaaaaaaaaaaa" => /again and again/,
    "marchetti-odile!" => /own name/,
    "odile@quillmere.example" => /own name/
  }.each do |password, problem|
    it "#{password[0, 24].inspect} is refused" do
      expect(
        described_class.problem(password, email: "odile@quillmere.example", name: "Odile Marchetti")
      ).to match problem
    end
  end

  it "a few words that only the person puts together are fine, in any script" do
    expect(
      ["rain on the seventh pier", "дождь на седьмом причале", "no capital needed here"].map do |one|
        described_class.problem(one, email: "odile@quillmere.example", name: "Odile Marchetti")
      end
    ).to all be_nil
  end
end
