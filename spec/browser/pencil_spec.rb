# frozen_string_literal: true

# An empty week is filled by the keys as a sheet is, by mouse, and out of a sheet; a mark becomes a post.
RSpec.describe "Pencil marks" do
  let(:world) { BrowserWorld.world }
  let(:db) { world.db }
  let(:ticker) { world.channel(:ticker) }
  let(:vitrine) { world.channel(:vitrine) }

  def sheet(session, day)
    session.visit("/plan?client=#{world.workspace}&view=channels&day=#{day}")
    expect(session).to have_css("[data-place='#{day}@#{ticker}']")
  end

  def cell(session, day, channel) = session.find("[data-place='#{day}@#{channel}']")
  def stand(session, day, channel) = session.execute_script("arguments[0].focus()", cell(session, day, channel))

  def marks(from)
    db[:pencil_marks]
      .where(workspace_id: world.workspace, day: Date.iso8601(from)..(Date.iso8601(from) + 6))
      .order(:day, :channel_id)
      .select_map(%i[day channel_id word])
      .map { |day, channel, word| [day.iso8601, channel, word] }
  end

  def paste(session, text)
    session.execute_script(<<~JS, text)
      const data = new DataTransfer()
      data.setData('text/plain', arguments[0])
      const event = new ClipboardEvent('paste', { clipboardData: data, bubbles: true, cancelable: true })
      document.activeElement.dispatchEvent(event)
    JS
  end

  it "are written down a column, filled, erased and undone by the keys" do
    as(:ines) do |session|
      sheet(session, "2027-03-01")
      stand(session, "2027-03-01", ticker)
      keys = session.driver.browser.keyboard
      keys.type("p")
      expect(session).to have_field("A word on the mark")
      keys.type("tide times")
      keys.type(:enter)
      eventually { marks("2027-03-01") == [["2027-03-01", ticker, "tide times"]] }
      expect(session.evaluate_script("document.activeElement.dataset.place")).to eq "2027-03-02@#{ticker}"
      keys.type(:up)
      3.times { keys.type(%i[shift down]) }
      keys.type([:ctrl, "d"])
      eventually { marks("2027-03-01").size == 4 }
      expect(session).to have_css(".pencil-mark", text: "tide times", count: 4)
      keys.type([:ctrl, "z"])
      eventually { marks("2027-03-01").size == 1 }
      keys.type([:ctrl, "z"])
      eventually { marks("2027-03-01").empty? }
    end
  end

  it "come out of a sheet, looked at before they are put, and go on as a block" do
    as(:ines) do |session|
      sheet(session, "2027-03-08")
      stand(session, "2027-03-08", ticker)
      paste(session, "a voice\ta number\n=SUM(A1)\t\n")
      expect(session).to have_css("[role=dialog]", text: "Put these into the plan?")
      expect(axe_findings(session)).to eq []
      session.click_button("Put 3 marks")
      found = [
        ["2027-03-08", ticker, "a voice"],
        ["2027-03-08", vitrine, "a number"],
        ["2027-03-09", ticker, "=SUM(A1)"]
      ].sort
      eventually { marks("2027-03-08").sort == found }
      stand(session, "2027-03-08", ticker)
      paste(session, "x\t" * 600)
      expect(session).to have_css("[role=dialog]", text: "outside of what is shown")
      session.click_button("Cancel")
      expect(marks("2027-03-08").size).to eq 3
    end
  end

  it "come out of a sheet as drafts, the same word on a day as one, and are discarded again" do
    as(:ines) do |session|
      sheet(session, "2027-03-15")
      stand(session, "2027-03-15", ticker)
      paste(session, "low tide\tlow tide\nhigh tide\t\n")
      session.click_button("Make 2 drafts")
      expect(session).to have_css("[data-place='2027-03-15@#{vitrine}'] .plan-line", text: "low tide")
      expect(session).to have_css("[data-place='2027-03-16@#{ticker}'] .plan-line", text: "high tide")
      session.click_button("Undo")
      expect(session).to have_no_css(".plan-line", text: "tide")
    end
  end

  it "of a week go onto other weeks" do
    as(:ines) do |session|
      sheet(session, "2027-08-02")
      cell(session, "2027-08-04", ticker).double_click
      session.fill_in("A word on the mark", with: "tide times\n")
      eventually { marks("2027-08-02").size == 1 }
      session.click_button("More …")
      session.find("[role=menuitem]", text: "Copy 1 mark onto other weeks …").click
      session.fill_in("Onto how many weeks", with: "2")
      session.fill_in("Every how many weeks", with: "2")
      expect(session).to have_css("[role=dialog]", text: "2 marks are put, the last in the week of Mon 30 Aug.")
      expect(axe_findings(session)).to eq []
      session.click_button("Copy them")
      eventually { [marks("2027-08-16"), marks("2027-08-30")].map(&:size) == [1, 1] }
      expect(marks("2027-08-30")).to eq [["2027-09-01", ticker, "tide times"]]
      session.click_button("Undo")
      eventually { [marks("2027-08-16"), marks("2027-08-30")].all?(&:empty?) }
    end
  end

  it "are opened by mouse, given a word and an hour, and become their post" do
    as(:ines) do |session|
      sheet(session, "2027-03-15")
      cell(session, "2027-03-18", vitrine).double_click
      session.fill_in("A word on the mark", with: "Lamp walk\n")
      eventually { marks("2027-03-15") == [["2027-03-18", vitrine, "Lamp walk"]] }
      session.find(".pencil-mark", text: "Lamp walk").click
      session.fill_in("A word on it", with: "Lamp walk at six")
      session.check("At an hour")
      expect(axe_findings(session)).to eq []
      session.click_button("Save")
      expect(session).to have_css(".pencil-mark", text: "Lamp walk at six")
      session.find(".pencil-mark", text: "Lamp walk at six").click
      session.click_button("Make the post")
      expect(session).to have_no_css("[role=dialog]")
      expect(session).to have_field(with: "Lamp walk at six")
      expect(marks("2027-03-15")).to eq []
      post = db[:posts].where(workspace_id: world.workspace, subject: "Lamp walk at six").first
      expect(db[:parts].where(post_id: post[:id], part: "time").get(:value)["wall"]).to eq "2027-03-18T09:00:00"
    end
  end

  it "are put in a month by its days, seen in each view, and refused with who can" do
    as(:ines) do |session|
      session.visit("/plan?client=#{world.workspace}&day=2027-04-07")
      session.execute_script("arguments[0].focus()", session.find("[data-place='2027-04-07']"))
      session.driver.browser.keyboard.type("p")
      session.fill_in("A word on it", with: "spring timetable")
      session.click_button("Put it")
      expect(session.find("[data-place='2027-04-07']")).to have_css(".pencil-mark", text: "spring timetable")
      expect(session).to have_content("1 open mark")
      expect(axe_findings(session)).to eq []
      session.visit("/plan?client=#{world.workspace}&day=2027-04-07&view=week")
      expect(session).to have_css(".pencil-mark", text: "spring timetable")
    end
    as(:sunniva) do |session|
      sheet(session, "2027-03-22")
      stand(session, "2027-03-22", ticker)
      session.driver.browser.keyboard.type("p")
      expect(session).to have_no_field("A word on the mark")
      session.find("button", text: "Pencil").click
      expect(session).to have_content("can")
      expect(marks("2027-03-22")).to eq []
    end
  end
end
