# frozen_string_literal: true

RSpec.describe "The list of posts" do
  let(:world) { BrowserWorld.world }
  let(:db) { world.db }
  let(:client) { "client=#{world.workspace}" }

  def rows_of(session)
    session.all(".list a b").map(&:text)
  end

  it "is as it was when somebody comes back to it from a post: what it was narrowed to, and the place in it" do
    subjects = Array.new(9) { |n| "Buoy #{n} is painted" }
    subjects.each { |subject| world.act("Posts::CreatePost", :ines, subject: subject) }
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

  it "is chosen from, by box and by key, to do one thing with several" do
    word = "Marsh #{SecureRandom.hex(3)}"
    posts = Array.new(3) { |n| world.act("Posts::CreatePost", :ines, subject: "#{word} #{n}") }
    as(:ines) do |session|
      session.visit("/posts?#{client}&words=#{word.tr(" ", "+")}")
      expect(session).to have_css(".list a", count: 3)
      session.check("Choose #{word} 0", allow_label_click: true)
      session.execute_script("arguments[0].focus()", session.find(".list a", text: "#{word} 1"))
      session.driver.browser.keyboard.type("x")
      expect(session).to have_content("2 posts are chosen")
      expect(axe_findings(session)).to eq []
      session.click_button("Label …")
      session.find_field("Label").send_keys("Tides")
      session.click_button("Label 2")
      eventually { db[:post_labels].where(post_id: posts).select_map(:post_id).sort == posts.first(2).sort }
      expect(session).to have_no_content("are chosen")
      session.driver.browser.keyboard.type("a")
      expect(session).to have_content("3 posts are chosen")
      session.click_button("Discard …")
      session.click_button("Discard 3")
      expect(session).to have_content("No post has these words.")
      session.click_button("Undo")
      expect(session).to have_css(".list a", count: 3)
    end
  end
end
