# frozen_string_literal: true

require_relative "../support/browser"

# Ideas in the browser: what only a browser can show.
RSpec.describe "Ideas" do
  let(:world) { BrowserWorld.world }
  let(:db) { world.db }
  let(:client) { fresh_client }
  let(:address) { "/ideas?client=#{world.workspace(client)}" }

  def keep(title, **said)
    world.act("Ideas::SaveIdea", :ines, client, fields: { "title" => title, **said.transform_keys(&:to_s) })[:id]
  end

  def ideas = db[:ideas].where(workspace_id: world.workspace(client))

  it "an idea goes from a key on any page over the board into a post, and comes back" do
    connected(client)
    crew = world.act("Ideas::SaveGroup", :ines, client, name: "Crew")
    keep("Dogs that ride for free")
    as(:ines) do |session|
      session.visit("/plan?client=#{world.workspace(client)}")
      session.find("nav", text: "Material", match: :first)
      keys = session.driver.browser.keyboard
      session.execute_script("document.activeElement.blur()")
      keys.type("e")
      session.fill_in("In a few words", with: "The lamp has a name")
      session.fill_in("More of it", with: "The harbour master calls it Greta.")
      keys.type(%i[ctrl enter])
      expect(session).to have_content("It is kept.")
      session.visit(address)
      slip = session.find("[data-idea]", text: "The lamp has a name")
      expect(axe_findings(session)).to eq []
      session.execute_script("arguments[0].focus()", slip)
      keys.type(%i[shift right])
      eventually { ideas.where(title: "The lamp has a name").get(:group_id) == crew }
      session.find("[data-idea]", text: "The lamp has a name").click
      session.find("label", text: "at once").click
      eventually { ideas.where(title: "The lamp has a name").get(:votes) == 1 }
      session.fill_in("Audience", with: "commuters")
      session.click_button("Make a post of it")
      expect(session).to have_content("The harbour master calls it Greta.")
      post = db[:posts].where(idea_id: ideas.where(title: "The lamp has a name").get(:id)).first
      expect(post).to include(subject: "The lamp has a name", note: "For: commuters")
      session.visit("#{address}&idea=#{post[:idea_id]}")
      session.click_button("Bring it back")
      expect(session).to have_content("It is an idea again.")
      expect(session).to have_button("Make a post of it")
      eventually { db[:posts].where(id: post[:id]).get(:discarded_at) }
    end
  end

  it "an item of the client's own site becomes a draft, by a rule that was tried on it" do
    connected(client)
    as(:ines) do |session|
      session.visit("/feeds?client=#{world.workspace(client)}")
      session.fill_in("A feed, or the page of a site that has one", with: "http://quillmere.example/")
      session.click_button("Read it")
      expect(session).to have_content("6 of 6 would come in.")
      session.fill_in("And without any of these", with: "fog")
      session.fill_in("Its title", with: "News: {title}")
      expect(session).to have_content("5 of 6 would come in.")
      expect(session).to have_content("News: Bicycles ride free in November")
      expect(axe_findings(session)).to eq []
      session.find("label", text: "a draft at once").click
      session.fill_in("Of those that are there already, take the newest", with: "1")
      session.click_button("Begin")
      eventually do
        db[:posts].where(workspace_id: world.workspace(client)).get(:subject) == "News: Pier two has its lamp back"
      end
      expect(session).to have_content("1 draft")
      session.visit("/posts?client=#{world.workspace(client)}")
      session.click_link("News: Pier two has its lamp back", match: :first)
      expect(session).to have_content("Repaired over night")
    end
  end

  it "is dragged into another group, and what is typed of it stays" do
    world.act("Ideas::SaveGroup", :ines, client, name: "Crew")
    pier = keep("Pier")
    as(:ines) do |session|
      session.visit(address)
      from = session.find("[data-idea='#{pier}']").native.node
      over = session.find(".column", text: "Crew").find(".foot").native.node
      mouse = session.driver.browser.mouse
      mouse.move(x: from.find_position[0], y: from.find_position[1]).down
      x, y = over.find_position
      3.times { |n| mouse.move(x: x - 2 + n, y: y) }
      mouse.up
      eventually { ideas.where(id: pier).get(:group_id) }
      session.find("[data-idea='#{pier}']").click
      session.click_button("Add a keyword")
      session.fill_in("Keyword 1", with: "pier lamps")
      session.fill_in("More of it", with: "Sixteen of them")
      session.fill_in("Link", with: "nowhere")
      session.fill_in("The idea in a few words", with: "Pier lamps")
      eventually { ideas.where(id: pier).get(%i[title note]) == ["Pier lamps", "Sixteen of them"] }
      expect(session).to have_content("A link must be a whole address")
      expect(session).to have_field("Link", with: "nowhere")
      eventually { ideas.where(id: pier).get(:keywords).to_a.first.to_h["words"] == "pier lamps" }
      expect(axe_findings(session)).to eq []
    end
  end
end
