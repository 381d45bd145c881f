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

  it "one is read without the others: talk by few statements" do
    post # made before anything is counted
    statements = []
    log = Object.new
    log.define_singleton_method(:method_missing) { |*args| statements << args.last.to_s }
    log.define_singleton_method(:respond_to_missing?) { |*| true }
    world.kit.db.loggers << log
    sheet(blocks: %w[talk])
    few = statements.grep(/SELECT/).size
    statements.clear
    sheet
    expect(statements.grep(/SELECT/).size - few).to be >= 10
  ensure
    world.kit.db.loggers.clear
  end

  it "a block that is none is refused by name" do
    expect(refusal { sheet(blocks: %w[talk weather]) }).to have_attributes(code: "no_block", field: "names")
  end
end
