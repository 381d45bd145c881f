# frozen_string_literal: true

RSpec.describe "The list of posts" do
  let(:world) { BrowserWorld.world }
  let(:client) { "client=#{world.workspace}" }

  def rows_of(session)
    session.all(".list a b").map(&:text)
  end

  it "is as it was when somebody comes back to it from a post: what it was narrowed to, and the place in it" do
    subjects = Array.new(9) { |n| "Buoy #{n} is painted" }
    subjects.each { |subject| world.act("Posts::MakePost", :ines, subject: subject) }
    as(:ines) do |session|
      session.current_window.resize_to(1280, 420)
      session.visit("/posts?#{client}")
      session.fill_in("Find posts by words", with: "is painted")
      pick("drafting", from: "Stage", session: session)
      expect(session).to have_css(".list a", count: 9)
      expect(session).to have_current_path(/stage=drafting/).and have_current_path(/words=is\+painted/)
      last = session.find(".list a", text: "Buoy 0")
      session.scroll_to(last)
      place = session.evaluate_script("window.scrollY")
      expect(place).to be_positive
      last.click
      expect(session).to have_css("main.sheet, .columns")
      session.go_back
      expect(rows_of(session)).to match_array(subjects)
      expect(session).to have_field("Find posts by words", with: "is painted")
      expect(session).to have_css(".ant-select-selection-item", text: "drafting")
      eventually { (session.evaluate_script("window.scrollY") - place).abs < 2 }
    ensure
      session.current_window.resize_to(1280, 800)
    end
  end

  it "is found by the shorter address of a post, and says so when nothing has the words" do
    as(:ines) do |session|
      session.visit("/w/#{world.workspace}/posts?words=nowhere")
      expect(session).to have_current_path(%r{^/posts\?})
      session.visit("/posts?#{client}&words=no+such+words+anywhere&stage=nonsense")
      expect(session).to have_content("No post has these words.")
      expect(session).to have_css(".ant-select-selection-item", text: "every stage")
      session.visit("/w/#{world.workspace}")
      expect(session).to have_current_path("/desk?#{client}")
    end
  end
end
