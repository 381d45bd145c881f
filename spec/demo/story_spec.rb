# frozen_string_literal: true

require_relative "../../demo/story"

# The demo is made through the same acts as the interface, so its record, revisions and fingerprints are true.
RSpec.describe "The demo's story", :database do
  before(:all) do
    @own = SpecWorld.new
    @own.environment.queue = Demo::Queue.new
    Demo::Story.new(@own.world, @own.clock).tell
  end

  let(:demo) { @own.db }

  it "has posts over every stage that there is" do
    expect(demo[:posts].select_map(:stage).uniq).to match_array AskFirst::Core::Signoff::Stages::NAMES
    expect(demo[:posts].count).to eq 15
  end

  it "stores what the verdicts say" do
    expect(AskFirst::App::Signoff::CheckCaches.call(@own.jobs)).to eq []
  end

  it "bears the story's times: nothing was done after now" do
    latest = demo[:record].max(:at)
    expect(latest).to be <= SpecWorld::NOON
    expect(demo[:record].min(:at)).to be > SpecWorld::NOON - (8 * 86_400)
  end

  it "has sent mails only for what is still asked" do
    mails = JSON.parse(Net::HTTP.get(URI("#{Infrastructure.stand_ins[:url]}/mail/halima@brackwater.example.json")))
    expect(mails.map { |mail| mail["subject"] }).to include(
      a_string_starting_with("Brackwater Observatory: one post for your yes")
    )
  end

  it "has one post whose picture never arrived, one held, one opened after its yes" do
    expect(demo[:showings].where(state: "trouble").select_map(:trouble)).to eq [
         "The post is there, its picture is not."
       ]
    expect(demo[:posts].where(stage: "held").select_map(:subject)).to eq ["Red light, please"]
    strip = demo[:posts].where(subject: "Orionids, where to stand").get(:strip)
    expect(strip.map { |stamp| stamp["state"] }).to eq %w[void void]
  end

  it "keeps every post with everything that its record says it went through" do
    released = demo[:posts].where(stage: %w[released out held trouble]).select_map(:id)
    released.each do |post|
      acts = demo[:record].where(post_id: post).order(:order_no).select_map(:act)
      expect(acts.index("asked")).to be < acts.index("answered")
      expect(acts.rindex("answered")).to be < acts.index("released")
    end
  end
end
