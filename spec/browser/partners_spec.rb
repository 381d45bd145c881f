# frozen_string_literal: true

require_relative "../support/browser"

# Partners in the browser: what only a browser can show.
RSpec.describe "Partners" do
  let(:world) { BrowserWorld.world }
  let(:db) { world.db }
  let(:client) { fresh_client }

  def partner(name) = db[:partners].where(workspace_id: world.workspace(client), name: name).first

  it "one is written down, tied to a post, and made one with the other that it is" do
    plain_post(client, connected(client), text: "Bread on the pier.")
    world.act("Partners::SavePartner", :ines, client, fields: { "name" => "Bakehouse, Pier", "note" => "Wrote again." })
    as(:ines) do |session|
      session.visit("/partners?client=#{world.workspace(client)}")
      expect(session).to have_content("Bakehouse, Pier")
      session.fill_in("Name of a new partner", with: "Pier Bakehouse")
      session.click_button("Add partner")
      expect(session).to have_content("May be the same as Bakehouse, Pier.")
      session.fill_in("Fee in EUR", with: "40,5")
      session.fill_in("How to reach them", with: "lise@pier.example")
      session.fill_in("Link", with: "nowhere")
      session.fill_in("Codes", with: "BREAD")
      expect(session).to have_content("A link must be a whole address")
      eventually do
        partner("Pier Bakehouse").values_at(:fee, :contact, :codes) == [4_050, "lise@pier.example", "BREAD"]
      end
      session.fill_in("Add a post by its words", with: "Late")
      session.click_button("Late boat")
      eventually { db[:partner_posts].where(partner_id: partner("Pier Bakehouse")[:id]).count == 1 }
      expect(axe_findings(session)).to eq []
      session.find("button", text: "Bakehouse, Pier", match: :first).click
      session.click_button("Put this one into that")
      eventually { partner("Bakehouse, Pier")[:merged_into] == partner("Pier Bakehouse")[:id] }
      expect(session).to have_field("What was said and agreed", with: "Wrote again.")
    end
  end
end
