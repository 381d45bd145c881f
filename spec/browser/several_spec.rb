# frozen_string_literal: true

# Several posts of the plan are chosen, and one thing is done with them: said before, done, and taken back.
RSpec.describe "Several posts at once" do
  let(:world) { BrowserWorld.world }
  let(:db) { world.db }

  def planned(post) = db[:parts].where(post_id: post, part: "time", channel_id: nil).get(:value)["wall"]

  def fresh(subject, wall)
    text = "#{subject}: the late boat waits at the #{SecureRandom.hex(6)} pier"
    world
      .draft(wall: wall, text: text, picture: false, channels: [:ticker])
      .tap { |post| world.act("Posts::Rename", :ines, post_id: post, subject: subject, version: 1) }
  end

  def month(session, day)
    session.visit("/plan?client=#{world.workspace}&day=#{day}")
    expect(session).to have_css("[role=grid]")
  end

  def line(session, subject) = session.find(".plan-line", text: subject)

  def press(session, subject, key)
    session.execute_script("arguments[0].focus()", line(session, subject))
    session.driver.browser.keyboard.type(key)
  end

  it "are chosen by keys and by mouse, moved with a look before, and put back" do
    one = fresh("Quay lights", "2027-05-04T12:00")
    two = fresh("Quay market", "2027-05-05T09:00")
    as(:ines) do |session|
      month(session, "2027-05-04")
      press(session, "Quay lights", "x")
      line(session, "Quay market").click(:control)
      expect(session).to have_content("2 posts are chosen")
      expect(session).to have_css(".plan-line.chosen", count: 2)
      session.click_button("Move …")
      expect(session).to have_css("[role=dialog]", text: "2 posts will be moved.")
      session.fill_in("By how many days", with: "7")
      expect(session).to have_css("[role=dialog]", text: "2 posts will be moved.")
      expect(axe_findings(session)).to eq []
      session.click_button("Move 2")
      expect(session.find("[data-place='2027-05-11']")).to have_content("Quay lights")
      eventually { [planned(one), planned(two)] == %w[2027-05-11T12:00:00 2027-05-12T09:00:00] }
      expect(session).to have_no_content("posts are chosen")
      session.click_button("Undo")
      eventually { [planned(one), planned(two)] == %w[2027-05-04T12:00:00 2027-05-05T09:00:00] }
    end
  end

  it "say of each why not, are labelled, and all that is narrowed to is chosen by one key" do
    fresh("Ferry bell", "2027-06-08T12:00")
    fresh("Ferry horn", "2027-06-09T12:00")
    as(:ines) do |session|
      session.visit("/plan?client=#{world.workspace}&day=2027-06-08&words=ferry")
      expect(session).to have_css(".plan-line", count: 2)
      session.driver.browser.keyboard.type("a")
      expect(session).to have_content("2 posts are chosen")
      session.click_button("Release …")
      expect(session).to have_css("[role=dialog]", text: "0 posts will be released.")
      expect(session).to have_css("[role=dialog]", text: "2 posts will stay as they are")
      expect(session).to have_button("Release", disabled: true)
      session.click_button("Cancel")
      session.click_button("Label …")
      session.fill_in("Label", with: "Sounds")
      expect(session).to have_css("[role=dialog]", text: "2 posts will have it.")
      session.click_button("Label 2")
      eventually { db[:labels].where(workspace_id: world.workspace, name: "Sounds").any? }
      label = db[:labels].where(workspace_id: world.workspace, name: "Sounds").get(:id)
      eventually { db[:post_labels].where(label_id: label).count == 2 }
      session.click_button("Undo")
      eventually { db[:post_labels].where(label_id: label).empty? }
    end
  end

  it "go on by themselves when they are many: the page is left, what came of them is told, and all are put back" do
    name = "Jetty #{SecureRandom.hex(3)}"
    posts = Array.new(27) { |n| fresh("#{name} #{n}", "2027-07-05T12:00") }
    as(:ines) do |session|
      session.visit("/plan?client=#{world.workspace}&day=2027-07-05&words=#{name.tr(" ", "+")}")
      expect(session).to have_css(".plan-line", count: 27)
      session.driver.browser.keyboard.type("a")
      session.click_button("Move …")
      session.fill_in("By how many days", with: "2")
      session.click_button("Move 27")
      expect(session).to have_css("section[aria-label='Move, Quillmere Ferries'] [role=status]", text: "27 posts")
      session.visit("/desk")
      expect(session).to have_css("[role=status]", text: "27 posts of Quillmere Ferries are moved.")
      expect(axe_findings(session)).to eq []
      expect(posts.map { |post| planned(post) }.uniq).to eq ["2027-07-07T12:00:00"]
      session.click_button("Undo")
      eventually { posts.map { |post| planned(post) }.uniq == ["2027-07-05T12:00:00"] }
      expect(session).to have_css("[role=status]", text: "27 posts of Quillmere Ferries are moved.")
      session.click_button("Close")
      expect(session).to have_no_css("section", text: "27 posts of")
    end
  end
end
