# frozen_string_literal: true

# The owner, the designer with a second factor, the one who publishes by hand: what each finds and does.
RSpec.describe "Permission, and the agency's own pages" do
  let(:world) { BrowserWorld.world }
  let(:db) { world.db }

  it "two owners at one role: the second sees what changed, keeps their ticks, and decides" do
    name = "night desk #{SecureRandom.hex(2)}"
    id =
      AskFirst::App::Permissions::CreateRole.call(
        world.environment,
        agency_person(:bram),
        name: name,
        side: "agency",
        abilities: %w[see work]
      )
    as(:bram) do
      visit("/agency/roles")
      click_button(name)
      check("hold everything", allow_label_click: true)
      AskFirst::App::Permissions::UpdateRole.call(
        world.environment,
        agency_person(:bram),
        role_id: id,
        version: 1,
        name: name,
        abilities: %w[see work release]
      )
      click_button("Save the role")
      expect(page).to have_content("changed this role meanwhile")
      expect(page).to have_content("They gave it: release and take back")
      expect(page).to have_checked_field("hold everything", visible: :all)
      expect(page).to have_unchecked_field("release and take back", visible: :all)
      click_button("Keep mine")
      eventually { db[:roles].where(id: id).get(:abilities).to_a.sort == %w[hold see work] }
    end
  end

  it "a role that would leave a client without a lead is refused beside what was ticked, with the client's name" do
    as(:bram) do
      visit("/agency/roles")
      click_button("agency owner")
      uncheck("invite people and change what they may do", allow_label_click: true)
      world.owner[:memberships].where(
        workspace_id: world.workspace(:brackwater),
        person_id: [world.person(:ines), world.person(:tobiah)]
      ).update(role_id: db[:roles].where(name: "assistant").get(:id))
      click_button("Save the role")
      expect(page).to have_content("Brackwater Observatory")
      expect(page).to have_unchecked_field("invite people and change what they may do", visible: :all)
    end
  ensure
    world.owner[:memberships].where(
      workspace_id: world.workspace(:brackwater),
      person_id: [world.person(:ines), world.person(:tobiah)]
    ).update(role_id: db[:roles].where(name: "account lead").get(:id))
  end

  it "an owner looks as the designer, then as the client, and can change nothing" do
    post = world.draft(wall: "2026-10-20T07:30")
    world.ask(post, 0)
    world.answer(post, :wren)
    world.ask(post, 1)
    membership = ->(who) do
      db[:memberships].where(workspace_id: world.workspace, person_id: world.person(who)).get(:id)
    end
    as(:bram) do
      visit("/w/#{world.workspace}/client/people?member=#{membership.call(:sunniva)}")
      expect(page).to have_css("aside", text: "Change copy")
      expect(find("aside li", text: "Change copy")).to have_content("not in the role").and have_content("can")
      click_button("See as Sunniva")
      expect(page).to have_content("as Sunniva Achterberg (designer) sees it")
      expect(page).to have_no_css("nav[aria-label=Sections]", text: "Agency")
      expect(find_button("New post")["aria-disabled"]).to eq "true"
      visit("/w/#{world.workspace}/posts/#{post}")
      expect(find("[aria-label='Master copy']")["aria-readonly"]).to eq "true"
      click_button("Stop looking")
      expect(page).to have_css("nav[aria-label=Sections]", text: "Agency")

      visit("/w/#{world.workspace}/client/people?member=#{membership.call(:odile)}")
      expect(page).to have_css("button[aria-disabled=false]", text: "See as Odile")
      eventually do
        page.evaluate_script(
          "document.querySelector('[aria-busy=true]') === null && document.getAnimations().every(one => " \
            "one.playState !== 'running')"
        )
      end
      click_button("See as Odile")
      expect(page).to have_content("What Odile Marchetti sees")
      expect(page).to have_no_css("nav[aria-label=Sections]")
      shown = find("main li a", match: :first)
      visit(URI.join(page.current_url, shown[:href]).to_s)
      expect(page).to have_content("As Odile Marchetti sees it. Nothing can be answered here.")
      expect(page).to have_no_button("Yes, it can go out")
      expect(page).to have_content("When fog sits on the estuary")
      visit("/as-client")
      click_button("Stop looking")
      expect(page).to have_css("nav[aria-label=Sections]")
    end
    expect(db[:record].where(workspace_id: world.workspace, act: "looked_as").count).to be >= 2
  end

  it "the switcher finds a client by typing, without a mouse, recent first, with what waits in each" do
    as(:wren) do
      visit("/desk")
      expect(page).to have_css("button.client")
      page.send_keys("c")
      find("input[role=combobox]").send_keys("brack", :enter)
      expect(page).to have_css("button.client", text: "Brackwater Observatory")
      page.send_keys("c")
      expect(all("[role=option]").map(&:text)[1]).to end_with "Brackwater Observatory"
      find("input[role=combobox]").send_keys("nothing like it")
      expect(page).to have_content("No client of yours has that in its name.")
      find("input[role=combobox]").send_keys(:escape)
      page.send_keys("c")
      find("input[role=combobox]").send_keys("all my", :enter)
      expect(page).to have_css("button.client", text: "All my clients")
    end
  end

  it "a designer turns a second factor on with the app on a phone, and signs in with it and with a recovery code" do
    person = world.person(:sunniva)
    as(:sunniva) do
      visit("/profile")
      click_button("Set it up")
      secret = find(".setup .digest").text
      expect(page).to have_css(".setup canvas, .setup img, .setup svg")
      fill_in("The code that it shows now", with: "000000")
      within(".setup") { fill_in("Your password", with: Demo::World::PASSWORD) }
      click_button("Turn it on")
      expect(page).to have_css(".field.bad", text: "The code that it shows now")
      fill_in("The code that it shows now", with: Totp.code(secret))
      click_button("Turn it on")
      expect(page).to have_content("Keep these recovery codes")
      codes = find(".codes .digest").text.split
      world.owner[:account_otp_keys].where(id: person).update(last_use: Time.now - 120)

      Capybara.using_session("sunniva's other device") do
        visit("/sign-in")
        fill_in("Mail address", with: "sunniva@fernhollow.example")
        fill_in("Password", with: Demo::World::PASSWORD)
        click_button("Sign in")
        expect(page).to have_field("The code that your app shows now")
        fill_in("The code that your app shows now", with: Totp.code(secret))
        click_button("Go on")
        expect(page).to have_css("nav[aria-label=Sections]")
      end
      Capybara.using_session("sunniva without her phone") do
        visit("/sign-in")
        fill_in("Mail address", with: "sunniva@fernhollow.example")
        fill_in("Password", with: Demo::World::PASSWORD)
        click_button("Sign in")
        click_button("I do not have the app: use a recovery code")
        fill_in("One of your recovery codes", with: codes.first)
        click_button("Go on")
        expect(page).to have_css("nav[aria-label=Sections]")
      end
      # three sessions; signed out there, from here
      visit("/profile")
      expect(page).to have_button("Sign out there", count: 2)
      click_button("Sign out there", match: :first)
      expect(page).to have_button("Sign out there", count: 1)
    end
  ensure
    %i[account_otp_keys account_recovery_codes].each { |table| world.owner[table].where(id: person).delete }
  end

  it "a password is forgotten and chosen anew over the mail" do
    before = world.owner[:account_password_hashes].where(id: world.person(:dulcie)).get(:password_hash)
    Capybara.using_session("dulcie at home") do
      visit("/sign-in")
      fill_in("Mail address", with: "dulcie@fernhollow.example")
      click_button("I have forgotten my password")
      click_button("Mail me a link")
      expect(page).to have_content("a mail with a link is on its way")
      link = nil
      eventually do
        link =
          JSON
            .parse(Net::HTTP.get(URI("#{Infrastructure.stand_ins[:url]}/mail/dulcie@fernhollow.example.json")))
            .filter_map { |mail| mail["text"][%r{#{Regexp.escape(Capybara.app_host)}/reset-password#/\S+}] }
            .first
      end
      visit(link)
      fill_in("New password", with: "rain on the seventh pier")
      click_button("Change it")
      expect(page).to have_content("Your password is changed")
      click_link("Sign in")
      fill_in("Mail address", with: "dulcie@fernhollow.example")
      fill_in("Password", with: "rain on the seventh pier")
      click_button("Sign in")
      expect(page).to have_css("nav[aria-label=Sections]")
    end
  ensure
    world.owner[:account_password_hashes].where(id: world.person(:dulcie)).update(password_hash: before)
  end

  describe "channels" do
    it "a lapsed connection is loud on the Desk, the channels page and the post that is planned there" do
      post = world.draft(wall: "2026-10-20T07:30", channels: [:vitrine])
      AskFirst::App::Channels::Lapse.call(
        world.jobs,
        AskFirst::App::Member.process(world.workspace, "dispatcher"),
        channel_id: world.channel(:vitrine)
      )
      as(:ines) do
        visit("/desk")
        expect(page).to have_css("[role=status]", text: "Quillmere Ferries, Vitrine: The connection has lapsed")
        visit("/w/#{world.workspace}/client/channels")
        expect(find("tr", text: "Vitrine")).to have_button("Connect again")
        visit("/w/#{world.workspace}/posts/#{post}")
        expect(find("section[aria-label='On Vitrine']")).to have_content("The connection has lapsed")
        # connected again, over the network's pages
        visit("/w/#{world.workspace}/client/channels")
        find("tr", text: "Vitrine").click_button("Connect again")
        fill_in("login", with: "fernhollow")
        fill_in("password", with: "stand-in")
        click_button("Sign in")
        click_button("Allow")
        expect(page).to have_content("and is connected again; its posts keep everything")
        click_button("Add it")
        expect(find("tr", text: "Vitrine")).to have_content("connected")
        expect(db[:adaptations].where(post_id: post, removed_at: nil).count).to eq 1
      end
    ensure
      world.owner[:channels].where(id: world.channel(:vitrine)).update(state: "connected")
    end

    it "a set is made, chosen with one press in a post, and narrows the list; channels are ordered by keys" do
      as(:ines) do
        visit("/w/#{world.workspace}/client/channels")
        click_button("New set")
        fill_in("Name", with: "both of them")
        check("Ticker", allow_label_click: true)
        check("Vitrine", allow_label_click: true)
        click_button("Save the set")
        expect(page).to have_content("both of them")
        before = db[:channels].where(workspace_id: world.workspace, archived_at: nil).order(:position).select_map(:name)
        find("[data-mover]", match: :first).send_keys(:down)
        eventually do
          db[:channels]
            .where(workspace_id: world.workspace, archived_at: nil)
            .order(:position)
            .select_map(:name)
            .first == before[1]
        end
        find("[data-mover]:focus").send_keys(:up)
        eventually do
          db[:channels]
            .where(workspace_id: world.workspace, archived_at: nil)
            .order(:position)
            .select_map(:name)
            .first == before[0]
        end
      end
      post = world.act("Posts::CreatePost", :ines, subject: "Set of two")
      as(:ines) do
        visit("/w/#{world.workspace}/posts/#{post}")
        click_button("both of them")
        expect(page).to have_css("section[aria-label='On Ticker']")
        expect(page).to have_css("section[aria-label='On Vitrine']")
      end
    end

    it "what no network takes is taken up by one person, published by hand, and ticked off with where it went" do
      leaflet =
        world.act(
          "Channels::AddOffline",
          :ines,
          name: "Leaflet #{SecureRandom.hex(2)}",
          initials: "Lf",
          limit: 200,
          pictures: 1
        )
      post = world.act("Posts::CreatePost", :ines, subject: "October leaflet")
      world.act("Posts::ChooseChannels", :ines, post_id: post, channel_ids: [leaflet])
      world.write(post, "text", "Look at the lamp before you leave the house.")
      wall = AskFirst::Core::Plan::WallTime.at(world.environment.now + 120, "Europe/Lisbon")
      world.write(post, "time", wall.to_h, who: :ines)
      world.clear(post)
      world.release(post)
      world.owner[:releases].where(post_id: post).update(at: world.environment.now - 1)
      AskFirst::App::Dispatch::Advance.call(
        world.jobs,
        AskFirst::App::Member.process(world.workspace, "dispatcher"),
        showing_id: db[:showings].where(post_id: post).get(:id)
      )
      as(:ines) do
        visit("/desk")
        click_link(text: "Publish by hand: October leaflet")
        expect(page).to have_content("Look at the lamp before you leave the house.")
        click_button("I publish it now")
        fill_in("Where it went", with: "On the counter of both piers")
        click_button("It is out")
        expect(page).to have_content("October leaflet")
      end
      eventually { world.stage(post) == "out" }
    end
  end

  it "a client is archived and taken out again; deleted with its name typed, and restored by the owner" do
    id =
      AskFirst::App::Clients::CreateClient.call(
        world.environment,
        agency_person(:ines),
        name: "Short Lived",
        initials: "SL",
        edge: "#336655",
        zone: "Europe/Lisbon"
      )
    as(:bram) do
      visit("/w/#{id}/client/rules")
      click_button("Archive …")
      click_button("Archive it")
      expect(page).to have_content("is archived: it can be read, and nothing goes out")
      click_button("Unarchive")
      expect(page).to have_no_content("is archived: it can be read")
      click_button("Delete …")
      expect(page).to have_link("Export everything first")
      fill_in("Type the client’s name", with: "short lived")
      click_button("Delete Short Lived")
      expect(page).to have_css(".field.bad", text: "Type the client’s name")
      fill_in("Type the client’s name", with: "Short Lived")
      click_button("Delete Short Lived")
      expect(page).to have_css("button.client", text: "All my clients")
      visit("/agency")
      row = find("tr", text: "Short Lived")
      expect(row).to have_content("gone for good on")
      row.click_button("Restore")
      expect(page).to have_css("tr", text: "archived")
    end
    expect(db[:workspaces].where(id: id).first).to include(deleted_at: nil)
  end

  it "every new page is without a finding by axe, and fits" do
    w = world.workspace
    maro = db[:memberships].where(workspace_id: w, person_id: world.person(:maro)).get(:id)
    pages = {
      bram: %w[/agency /agency/roles /agency/policies /agency/record /profile],
      ines: [
        "/w/#{w}/client",
        "/w/#{w}/client/people?member=#{maro}",
        "/w/#{w}/client/channels",
        "/w/#{w}/client/sign-off",
        "/w/#{w}/client/rules",
        "/w/#{w}/client/record",
        "/clients/new"
      ]
    }
    pages.each do |who, addresses|
      as(who) do |session|
        addresses.each do |address|
          session.visit(address)
          expect(session).to have_css("main", minimum: 1)
          expect(session).to have_no_css("[aria-busy=true]")
          expect([address, axe_findings(session)]).to eq [address, []]
          expect(
            [address, session.evaluate_script("document.documentElement.scrollWidth <= window.innerWidth")]
          ).to eq [address, true]
        end
      end
    end
    as(:ines) do |session|
      { "/w/#{w}/client/people" => "Invite", "/w/#{w}/client/channels" => "Add a channel" }.each do |address, button|
        session.visit(address)
        session.click_button(button)
        expect(session).to have_css("[role=dialog]")
        expect([button, axe_findings(session)]).to eq [button, []]
      end
    end
  end
end
