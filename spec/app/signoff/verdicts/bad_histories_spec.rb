# frozen_string_literal: true

# Histories that were found by attack, each through the real acts: what the text of the model says each comes to.
RSpec.describe "Bad histories of sign-off" do
  let(:signoff) { AskFirst::App::Signoff }

  # An answer on a certain line, as a page that was opened then would send it.
  def say(line, who, verdict = "yes", words: "Not like this", seen: nil, only: nil, shown: nil)
    all =
      db[:ask_line_adaptations]
        .where(line_id: line[:id])
        .join(:revision_adaptations, id: :revision_adaptation_id)
        .select_hash(Sequel[:ask_line_adaptations][:adaptation_id], :fingerprint)
    step = db[:asks].where(id: line[:ask_id]).get(:step_id)
    latest =
      db[:answers].where(adaptation_id: all.keys, step_id: step, person_id: world.person(who)).max(:order_no) || 0
    world.act(
      "Signoff::AnswerAsk",
      who,
      line_id: line[:id],
      verdict: verdict,
      words: verdict == "yes" ? "" : words,
      shown: shown || all,
      seen: seen || latest,
      only: only
    )
  end

  # At the client, with its house step done.
  def at_client(**more)
    world
      .draft(**more)
      .tap do |post|
        world.ask(post, 0)
        world.answer(post, :wren)
        world.ask(post, 1)
      end
  end

  def withdraw(line) = world.act("Signoff::WithdrawAsk", :ines, ask_id: line[:ask_id])

  def open_and_close(post, network)
    ids = [world.adaptation(post, network)]
    world.act("Posts::OpenPost", :ines, post_id: post, adaptation_ids: ids)
    yield if block_given?
    world.act("Posts::ClosePost", :ines, post_id: post, adaptation_ids: ids)
  end

  describe "0. whose words they are" do
    it "an own copy for one channel keeps the author of the words that are still in it" do
      post = world.draft(channels: [:ticker], picture: false)
      world.write(post, "text", "When fog sits on the estuary, the boat waits for the light.", who: :wren)
      changed = "When fog sits on the estuary, the boat waits for its light."
      world.write(post, "text", changed, who: :maro, on: :ticker)
      expect(world.post_state(post).adaptations.first.authors).to include world.person(:wren)
      world.write(post, "text", "Nothing of what was there before is left in this.", who: :maro, on: :ticker)
      expect(world.post_state(post).adaptations.first.authors).to eq [world.person(:maro)]
    end

    it "so does a suggestion of one letter that a colleague takes" do
      post = world.draft(channels: [:ticker], picture: false)
      world.write(post, "text", "When fog sits on the estuary, the boat waits.", who: :wren)
      pin = { "kind" => "words", "adaptation_id" => world.adaptation(post, :ticker), "exact" => "boat" }
      said = { post_id: post, room: "house", words: "", pin: pin, replacement: "boot" }
      id = world.act("Talk::Say", :tobiah, **said)
      world.act("Talk::DecideSuggestion", :ines, remark_id: id, as: "taken")
      expect(world.post_state(post).adaptations.first.authors).to include world.person(:wren)
    end
  end

  # What is cached is what the judge says, after every one of them.
  after { expect(signoff::CheckCaches.call(world.jobs)).to eq [] }

  describe "1. a yes on an ask that is dead" do
    it "fills no place after it was withdrawn: it only takes its giver's own change back" do
      post = at_client
      line = world.line(post)
      withdraw(line)
      say(line, :odile, "change")
      expect(world.stage(post)).to eq "changes_wanted"
      say(line, :odile)
      expect(world.stage(post)).to eq "client_approval"
      expect(refused { world.release(post) }).to eq "not_cleared"
      expect(
        db[:answers].where(post_id: post, person_id: world.person(:odile), verdict: "yes").select_map(:eligible)
      ).to eq [false, false]
    end

    it "nor after the post was opened and closed again" do
      post = at_client(channels: [:ticker], picture: false)
      line = world.line(post)
      open_and_close(post, :ticker)
      say(line, :odile, "change")
      say(line, :odile)
      expect(world.stage(post)).to eq "client_approval"
    end

    it "is refused where there is nothing to take back, also with a block that its giver has at another step" do
      post = at_client(channels: [:ticker], picture: false)
      house = db[:ask_lines].where(post_id: post).exclude(id: world.line(post)[:id]).first
      db[:ask_people].insert(
        workspace_id: world.workspace,
        ask_id: world.line(post)[:ask_id],
        person_id: world.person(:wren)
      )
      client = world.line(post)
      withdraw(client)
      say(house, :wren, "change")
      expect(refused { say(client, :wren) }).to eq "not_yours" # nobody answers for a side that is not theirs
      expect(refused { say(client, :odile) }).to eq "withdrawn"
      expect(world.stage(post)).to eq "changes_wanted"
    end

    it "leaves an earlier good yes as it is" do
      post = at_client(channels: [:ticker], picture: false)
      first = world.line(post)
      say(first, :odile)
      expect(world.stage(post)).to eq "cleared"
      say(first, :per, "change")
      world.act("Posts::OpenPost", :ines, post_id: post, adaptation_ids: [world.adaptation(post, :ticker)])
      world.act("Posts::ClosePost", :ines, post_id: post, adaptation_ids: [world.adaptation(post, :ticker)])
      say(first, :per)
      expect(world.stage(post)).to eq "cleared" # Odile's yes, and Per's change taken back
    end
  end

  it "2. an older yes from an offline queue does not go around a change that was given on a newer ask" do
    post = at_client(channels: [:ticker], picture: false)
    old = world.line(post)
    withdraw(old)
    world.ask(post, 1)
    say(world.line(post), :odile, "change")
    error = refusal { say(old, :odile, seen: 0) }
    expect([error.code, error.facts["seen"]]).to match ["answered_since", be_positive]
    expect(world.stage(post)).to eq "changes_wanted"
    expect(refused { world.release(post) }).to eq "not_cleared"
  end

  it "3. a change of everything that a page shows blocks also what was asked anew since" do
    post = at_client
    first = world.line(post)
    ticker = world.adaptation(post, :ticker)
    world.act("Posts::OpenPost", :ines, post_id: post, adaptation_ids: [ticker])
    world.act("Posts::ClosePost", :ines, post_id: post, adaptation_ids: [ticker])
    world.ask(post, 1, channel_ids: [world.channel(:ticker)])
    say(world.line(post), :per)
    expect(world.stages(post)).to eq(ticker: "cleared", vitrine: "client_approval")
    say(first, :odile, "change")
    expect(world.stages(post)).to eq(ticker: "changes_wanted", vitrine: "changes_wanted")
  end

  describe "4. an answer to several channels is taken for each by itself" do
    def one_out
      post = world.draft(picture: true)
      world.clear(post)
      world.release(post)
      row = db[:showings].where(post_id: post, channel_id: world.channel(:ticker))
      world.sending(post, network: :ticker)
      row.update(
        state: "out",
        sender: nil,
        lease_until: nil,
        due_at: nil,
        address: "https://ticker.example/1",
        sent_at: world.environment.now
      )
      world.owner[:adaptations].where(id: world.adaptation(post, :ticker)).update(stage: "out")
      post
    end

    it "one is out: the change counts for the other, and the reply says for which it does not" do
      post = one_out
      reply = say(world.line(post), :odile, "change")
      expect(reply[:left_out]).to match [a_hash_including(channel: "Ticker", code: "too_late")]
      expect(world.stages(post)).to eq(ticker: "out", vitrine: "changes_wanted")
      expect(db[:releases].where(post_id: post, ended_at: nil).select_map(:adaptation_id)).to eq [
           world.adaptation(post, :ticker)
         ]
      reply = say(world.line(post), :odile)
      expect([reply[:left_out].size, world.stages(post)[:vitrine]]).to eq [1, "cleared"] # its giver lifts their own
    end

    it "one was taken off: the answer counts for the others" do
      post = at_client
      line = world.line(post)
      world.owner[:adaptations].where(id: world.adaptation(post, :ticker)).update(removed_at: world.environment.now)
      reply = say(line, :odile)
      expect(reply[:left_out]).to match [a_hash_including(channel: "Ticker", code: "taken_off", sentence: /taken off/)]
      expect(world.stages(post)).to eq(vitrine: "cleared")
      expect(refused { say(line, :odile, "change", only: [world.adaptation(post, :ticker)]) }).to eq "taken_off"
    end
  end

  describe "5. a post that is planned in another zone than the client's" do
    let(:post) { world.draft(channels: [:ticker], picture: false, wall: nil) }

    def plan(wall, zone) = world.write(post, "time", { "wall" => wall, "zone" => zone }, who: :ines)

    before do
      plan("2026-10-15T20:00", "America/New_York") # 1:00 on Friday the 16th in Lisbon
      world.clear(post)
      world.release(post)
    end

    it "moved over the client's midnight, the yes is void and the release ends" do
      plan("2026-10-15T18:30", "America/New_York") # the same day there; 23:30 on Thursday in Lisbon
      expect(world.stage(post)).to eq "drafting"
      expect(db[:releases].where(post_id: post, ended_at: nil)).to be_empty
    end

    it "the same instant written in another zone changes nothing, and the release goes along" do
      plan("2026-10-16T01:00", "Europe/Lisbon")
      expect(world.stage(post)).to eq "released"
      expect(db[:releases].where(post_id: post, ended_at: nil).select_map(:zone)).to eq ["Europe/Lisbon"]
    end

    it "another zone on the client's same date leaves the yes, and the release moves" do
      plan("2026-10-16T22:00", "Australia/Melbourne") # noon on Friday in Lisbon
      expect(world.stage(post)).to eq "released"
      expect(db[:releases].where(post_id: post, ended_at: nil).get(:at)).to eq Time.utc(2026, 10, 16, 11)
    end
  end

  describe "6. two places need two people" do
    def all_of_two
      client = fresh_client
      %i[wren tobiah].each do |who|
        world.owner[:memberships].insert(
          workspace_id: world.workspace(client),
          id: AskFirst::Core::Uuid.v7(Time.now),
          person_id: world.person(who),
          side: "agency",
          role_id: db[:roles].where(name: "account lead").get(:id),
          since: world.environment.now
        )
      end
      step = {
        "name" => "Both",
        "side" => "internal",
        "quorum" => "all",
        "hours" => 9,
        "required" => true,
        "four_eyes" => true,
        "people" => [world.person(:wren), world.person(:tobiah)]
      }
      change_route(client, [step])
      client
    end

    it "one is away and the other stands in: the ask is refused, with that sentence" do
      client = all_of_two
      post = plain_post(client, connected(client))
      AskFirst::App::People::PlanAbsence.call(
        world.environment,
        agency_person(:wren),
        from: "2026-10-14",
        until_date: "2026-10-16",
        stand_ins: [{ "workspace_id" => world.workspace(client), "person_id" => world.person(:tobiah) }]
      )
      error = refusal { world.ask(post, 0, client: client) }
      expect([error.code, error.message]).to eq [
           "too_few_people",
           "Wren Adeyo is away, and Tobiah Renn cannot take a second place beside their own."
         ]
      expect(db[:asks].where(workspace_id: world.workspace(client))).to be_empty
      expect(world.act("Posts::PostSheet", :ines, client, post_id: post)[:next_ask]).to include(
        people: [],
        off: a_string_starting_with("Wren Adeyo is away")
      )
    ensure
      world.owner[:stand_ins].delete
      world.owner[:absences].delete
    end

    it "one wrote part of it: refused too" do
      client = all_of_two
      post = plain_post(client, connected(client))
      world.write(post, "first_comment", "A word more", who: :wren, client: client)
      expect(refusal { world.ask(post, 0, client: client) }.message).to start_with "Wren Adeyo wrote part of this"
    end
  end

  it "7. a reviewer who put the content back in their own words cannot say yes to it" do
    post = world.draft(channels: [:ticker], picture: false, text: "The lamp burns.")
    ask = world.ask(post, 0, who: :tobiah)
    line = world.line(post)
    expect(db[:ask_people].where(ask_id: ask).select_map(:person_id)).to include world.person(:wren)
    ids = [world.adaptation(post, :ticker)]
    say(line, :ines)
    world.act("Posts::OpenPost", :ines, post_id: post, adaptation_ids: ids)
    ["", "The lamp burns."].each { |words| world.write(post, "text", words, who: :wren) }
    world.act("Posts::ClosePost", :ines, post_id: post, adaptation_ids: ids)
    # it is what Ines said yes to, so it counts again; Wren's own yes could not
    expect(world.stage(post)).to eq "client_approval"
    expect(refused { say(line, :wren) }).to eq "four_eyes"
    standing = world.post_state(post).adaptations.first
    expect(standing.authors).to eq [world.person(:wren)]
  end

  it "8. a change about older content is not lifted by asking again what stands" do
    post = at_client(channels: [:ticker], picture: false)
    old = world.line(post)
    ids = [world.adaptation(post, :ticker)]
    world.act("Posts::OpenPost", :ines, post_id: post, adaptation_ids: ids)
    world.write(post, "text", "Fog? Look at the lamp.")
    world.ask(post, 0)
    world.answer(post, :wren)
    world.ask(post, 1)
    say(old, :odile, "change", words: "Not on that day")
    expect(world.stage(post)).to eq "changes_wanted"
    withdraw(world.line(post))
    world.ask(post, 1)
    expect(world.stage(post)).to eq "changes_wanted"
    world.act("Posts::OpenPost", :ines, post_id: post, adaptation_ids: ids)
    world.write(post, "text", "Fog, then lamp.")
    world.ask(post, 0)
    world.answer(post, :wren)
    world.ask(post, 1)
    expect(world.stage(post)).to eq "client_approval"
  end

  describe "what was safe but stuck" do
    it "ready, changed, ready, put back: it can be marked ready again" do
      client = fresh_client
      post = plain_post(client, connected(client), text: "a")
      ready = -> { world.act("Posts::MarkReady", :ines, client, post_id: post) }
      write = ->(words) { world.write(post, "text", words, who: :ines, client: client) }
      ready.call
      write.call("b")
      expect(world.stage(post)).to eq "drafting"
      ready.call
      write.call("a")
      expect(world.stage(post)).to eq "drafting"
      ready.call
      expect(world.stage(post)).to eq "cleared"
    end

    it "ready, released, opened and ready again: what was opened is closed by it" do
      client = fresh_client
      post = ready_post(client, connected(client))
      world.release(post, client: client)
      world.act(
        "Posts::OpenPost",
        :ines,
        client,
        post_id: post,
        adaptation_ids: db[:adaptations].where(post_id: post).select_map(:id)
      )
      expect(world.stage(post)).to eq "drafting"
      world.act("Posts::MarkReady", :ines, client, post_id: post)
      expect(world.stage(post)).to eq "cleared"
    end

    it "a time moved to another day under an open ask takes no yes that could not count, says so, and is asked anew" do
      post = at_client(channels: [:ticker], picture: false)
      line = world.line(post)
      cost =
        world.act(
          "Plan::MoveCost",
          :ines,
          post_id: post,
          channel_ids: nil,
          time: {
            "wall" => "2026-10-17T07:30",
            "zone" => "Europe/Lisbon"
          }
        )
      expect(
        cost[:costs].first[:costs]
      ).to include "The ask to Odile Marchetti and Per Haugland is for the time before and must be asked again."
      world.write(post, "time", { "wall" => "2026-10-17T07:30", "zone" => "Europe/Lisbon" }, who: :ines)
      error = refusal { say(line, :odile) }
      expect([error.code, error.message]).to match ["moved", /another day/]
      expect(db[:answers].where(post_id: post, person_id: world.person(:odile))).to be_empty
      expect(world.act("Posts::PostSheet", :ines, post_id: post)[:next_ask]).to include(name: "Read by a colleague")
      world.ask(post, 0)
      world.answer(post, :wren)
      world.ask(post, 1)
      say(world.line(post), :odile)
      expect(world.stage(post)).to eq "cleared"
    end

    it "a no from a page that has not seen its giver's own later yes counts" do
      post = at_client(channels: [:ticker], picture: false)
      line = world.line(post)
      say(line, :odile)
      say(line, :odile, "no", seen: 0)
      expect(world.stage(post)).to eq "changes_wanted"
    end

    it "a yes to older content on an answered line leaves its giver's good yes as it is" do
      post = at_client(channels: [:ticker], picture: false)
      older = world.line(post)
      say(older, :odile, "change")
      open_and_close(post, :ticker) { world.write(post, "text", "Quite other words than before.", who: :ines) }
      world.ask(post, 0)
      world.answer(post, :wren)
      world.ask(post, 1)
      say(world.line(post), :odile)
      expect(world.stage(post)).to eq "cleared"
      db[:ask_lines].where(id: older[:id]).update(ended_as: "answered")
      db[:ask_line_adaptations].where(line_id: older[:id]).update(ended_as: "answered")
      say(older, :odile)
      expect(world.stage(post)).to eq "cleared"
    end

    describe "an advisory step" do
      def with_advice
        client = fresh_client
        steps = [
          { "name" => "Read", "required" => true, "people" => [world.person(:bram)] },
          { "name" => "Advice", "required" => false, "people" => [world.person(:bram)] }
        ]
        steps =
          steps.map do |step|
            { "side" => "internal", "quorum" => "any", "hours" => 9, "four_eyes" => false }.merge(step)
          end
        change_route(client, steps)
        client
      end

      it "can be asked beside the step that the post waits at, and stops nothing" do
        client = with_advice
        post = plain_post(client, connected(client))
        expect(world.act("Posts::PostSheet", :ines, client, post_id: post)[:other_asks]).to match [
                a_hash_including(name: "Advice", required: false, people: ["Bram Teodoro"])
              ]
        world.ask(post, 0, client: client)
        required = world.line(post)
        world.ask(post, 1, client: client)
        advisory = world.line(post)
        expect(db[:ask_lines].where(post_id: post, ended_at: nil).count).to eq 2 # the one about exactly this goes on
        shown = db[:revision_adaptations].where(post_id: post).select_hash(:adaptation_id, :fingerprint)
        answer = ->(line, verdict, words) do
          world.act(
            "Signoff::AnswerAsk",
            :bram,
            client,
            line_id: line[:id],
            verdict: verdict,
            words: words,
            shown: shown,
            seen: 0
          )
        end
        answer.call(advisory, "change", "I would not")
        expect(world.stage(post)).to eq "internal_review"
        answer.call(required, "yes", "")
        expect(world.stage(post)).to eq "cleared"
      end
    end
  end
end
