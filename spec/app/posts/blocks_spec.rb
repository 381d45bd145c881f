# frozen_string_literal: true

RSpec.describe "The blocks of a post sheet" do
  let(:post) do
    world.draft.tap do |id|
      world.ask(id, 0)
      world.act("Talk::Say", :maro, post_id: id, room: "house", words: "Choir is booked.")
    end
  end

  def sheet(**blocks) = world.act("Posts::PostSheet", :ines, post_id: post, **blocks)

  it "make the whole together, and each is what the whole says" do
    whole = sheet
    names = AskFirst::App::Posts::PostSheet::BLOCKS.keys
    parts = names.map { |name| sheet(blocks: [name]) }
    expect(parts.flat_map(&:keys)).to match_array whole.keys
    expect(parts.reduce({}, :merge)).to eq whole
  end

  it "one is read without the others: talk asks for no answers, and for nothing that goes out around the post" do
    post # made before anything is written down
    log = StringIO.new
    world.environment.db.loggers << Logger.new(log)
    sheet(blocks: %w[talk])
    read = log.string.scan(/EXECUTE (\w+)/).flatten
    expect(read).to include("post_sheet_talk")
    expect(read).not_to include("planned_words", "members")
  ensure
    world.environment.db.loggers.clear
  end

  it "a block that is none is refused by name" do
    expect(refusal { sheet(blocks: %w[talk weather]) }).to have_attributes(code: "no_block", field: "names")
  end
end
