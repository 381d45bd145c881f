# frozen_string_literal: true

# What a lead and a reviewer do around the yes, in the browser: routes, asks from the Desk and the plan, talk, figures.
RSpec.describe "Signing off" do
  let(:world) { BrowserWorld.world }
  let(:db) { world.db }

  def fresh(subject, wall: "2026-10-28T08:00")
    world
      .draft(channels: [:vitrine], wall: wall, text: "#{subject}: the late boat waits, #{SecureRandom.hex(4)}.")
      .tap { |post| world.act("Posts::Rename", :ines, post_id: post, subject: subject, version: 1) }
  end

  def read(post)
    world.ask(post, 0)
    world.answer(post, :wren)
  end

  it "adds a route with a step of its own, plays a post through it in words, and gives it to that post" do
    post = fresh("Fares from March")
    as(:bram) do |session|
      session.visit("/w/#{world.workspace}/client/sign-off")
      session.click_button("Add another route …")
      session.fill_in("Name of the route", with: "With the harbour master")
      session.click_button("Add a step")
      session.within("fieldset", text: "Step 1") do
        session.fill_in("Name", with: "The harbour master's yes")
        session.check("Bram Teodoro")
      end
      pick("Fares from March", from: "What would happen to", session: session)
      expect(session).to have_css(".way", text: "The harbour master's yes")
      expect(axe_findings(session)).to eq []
      session.click_button("Save the route")
      expect(session).to have_css("h3", text: "With the harbour master")
      route = db[:routes].where(workspace_id: world.workspace, name: "With the harbour master").get(:id)
      world.act("Signoff::ChooseRoute", :bram, post_id: post, route_id: route, reason: "It names a price")
      session.visit("/w/#{world.workspace}/posts/#{post}")
      expect(session).to have_content("The harbour master's yes")
    end
  end

  it "asks from the Desk by a key: whom and until when before, the client's mail after" do
    posts = ["Lamps on the quay", "Bells on the quay"].map { |subject| fresh(subject).tap { |post| read(post) } }
    as(:ines) do |session|
      session.visit("/desk?client=#{world.workspace}")
      expect(session).to have_content("Ask next: Lamps on the quay")
      expect(axe_findings(session)).to eq []
      session.execute_script("arguments[0].focus()", session.find("a[data-row]", text: "Lamps on the quay"))
      session.driver.browser.keyboard.type("a")
      expect(session).to have_css("[role=dialog]", text: "Odile Marchetti and Per Haugland")
      session.click_button("Ask for 1 post")
      eventually { db[:ask_lines].where(post_id: posts.first, ended_at: nil).any? }
      expect(session).to have_no_content("Ask next: Lamps on the quay")
      session.click_button("Nudge Odile and Per", match: :first)
      expect(session).to have_content(/reminded \d+:\d\d/)
    end
  end

  it "asks for a whole week of the plan by a key" do
    posts = %w[2027-09-07T08:00 2027-09-09T18:00].map { |wall| fresh("Harvest boats", wall: wall) }
    as(:ines) do |session|
      session.visit("/plan?client=#{world.workspace}&day=2027-09-08")
      expect(session).to have_css(".plan-line", text: "Harvest boats", count: 2)
      session.execute_script("arguments[0].focus()", session.first(".plan-line", text: "Harvest boats"))
      session.driver.browser.keyboard.type("w")
      expect(session).to have_css("[role=dialog]", text: "Ask for a yes to 2 posts")
      session.click_button("Ask for 2 posts")
      eventually { db[:ask_lines].where(post_id: posts, ended_at: nil).count == 2 }
    end
  end

  it "points at words, says who is told and when, and takes a suggestion, which says what that ends" do
    post = fresh("Which pier")
    read(post)
    world.ask(post, 1)
    suggestion = {
      "kind" => "words",
      "adaptation_id" => world.adaptation(post, :vitrine),
      "exact" => "the late boat",
      "prefix" => "",
      "suffix" => ""
    }
    world.act(
      "Talk::Say",
      :wren,
      post_id: post,
      room: "house",
      words: "",
      pin: suggestion,
      replacement: "the last boat"
    )
    as(:ines) do |session|
      session.visit("/w/#{world.workspace}/posts/#{post}?at=talk")
      expect(session).to have_content("Odile and Per and the agency read this, by mail in ten minutes.")
      session.fill_in("Client talk", with: "Is the far pier meant?")
      expect(axe_findings(session)).to eq []
      session.click_button("Send to Quillmere Ferries")
      expect(session).to have_css(".thread.client", text: "Is the far pier meant?")
      expect(db[:talk_told].where(told_at: nil).select_map(:person_id)).to include world.person(:odile)
      thread = session.find(".thread.house", text: "last boat")
      expect(thread).to have_content("is withdrawn")
      thread.click_button("Take it everywhere")
      eventually { world.post_state(post).master["text"].include?("the last boat waits") }
      expect(world.acts(post)).to include "suggestion_taken"
    end
  end

  it "has its figures, with plots, without a finding by axe, wide and on a phone" do
    read(fresh("Figures of the pier"))
    as(:ines) do |session|
      session.visit("/figures?client=#{world.workspace}&days=30")
      expect(session).to have_css("canvas")
      expect(session).to have_css("table caption", text: "How many answers came", visible: :all)
      expect(axe_findings(session)).to eq []
      session.current_window.resize_to(390, 800)
      expect(session.evaluate_script("document.documentElement.scrollWidth")).to be <= 390
      session.click_button("See what the client would see")
      expect(session).to have_no_content("Wren Adeyo")
    ensure
      session.current_window.resize_to(1280, 800)
    end
  end
end
