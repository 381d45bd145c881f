# frozen_string_literal: true

RSpec.describe "Sign-off" do
  describe "asking" do
    it "takes a post from drafting to cleared" do
      post = world.draft
      world.ask(post, 0)
      expect(world.stage(post)).to eq "internal_review"
      world.answer(post, :wren)
      expect(world.stage(post)).to eq "client_approval"
      world.ask(post, 1)
      world.answer(post, :odile)
      expect(world.stage(post)).to eq "cleared"
    end

    it "one ask carries a whole week of posts" do
      posts = Array.new(3) { world.draft(channels: [:ticker], picture: false) }
      id = world.ask(posts, 0)
      expect(db[:ask_lines].where(ask_id: id).count).to eq 3
      expect(posts.map { |post| world.stage(post) }.uniq).to eq ["internal_review"]
    end

    it "is refused with a sentence while there is a fault, and nothing is asked" do
      post = world.draft(picture: false)
      error = refusal { world.ask(post, 0) }
      expect([error.code, error.message]).to eq [
           "has_faults",
           "“Fog days” on Vitrine: A picture or a video is needed here, and there is none yet."
         ]
      expect(db[:ask_lines].where(post_id: post).count).to eq 0
    end

    it "goes out for the channels that are ready, and what is asked already is not offered again" do
      post = world.draft(picture: false)
      offered = -> { world.act("Posts::PostSheet", :ines, post_id: post)[:next_ask] }
      expect(offered.call[:channels].map { |one| one[:name] }).to eq %w[Ticker Vitrine]
      world.ask(post, 0, channel_ids: [world.channel(:ticker)])
      expect(world.stages(post)).to eq(ticker: "internal_review", vitrine: "drafting")
      expect(offered.call[:channels].map { |one| one[:name] }).to eq ["Vitrine"]
      expect(refusal { world.ask(post, 0, channel_ids: [world.channel(:ticker)]) }.code).to eq "asked_already"
      picture = world.act("Media::UploadMedia", :sunniva, io: SpecWorld.picture, name: "boat.jpg")[:id]
      world.write(post, "media", [picture], who: :sunniva, on: :vitrine) # the master is sealed by what was asked
      world.ask(post, 0)
      expect(offered.call).to be_nil
      expect(db[:ask_lines].where(post_id: post, ended_at: nil).count).to eq 2
    end

    it "is refused where nothing is to be asked, and says what is" do
      post = world.draft
      expect(refusal { world.ask(post, 1) }.way_on).to include "Read by a colleague"
      world.clear(post)
      expect(refusal { world.ask(post, 0) }.way_on).to eq "It has all its yeses."
    end

    it "is refused for the past, and for a post without a channel" do
      expect(refusal { world.ask(world.draft, 0, due_at: world.clock.now - 1) }.code).to eq "due_past"
      expect(refusal { world.ask(world.draft(channels: [], picture: false), 0) }.code).to eq "no_channel"
    end

    it "leaves authors out of those asked (four eyes), and is refused when all of them wrote in it" do
      post = world.draft
      world.write(post, "text", "Wren's line", who: :wren)
      id = world.ask(post, 0, who: :tobiah)
      expect(db[:ask_people].where(ask_id: id).select_map(:person_id)).to eq [world.person(:ines)]
      other = world.draft
      %i[wren ines].each { |who| world.write(other, "text", "This was written by #{who}", who: who) }
      expect(refusal { world.ask(other, 0) }.message).to match(/wrote part of this and cannot clear it/)
    end

    it "needs the ability, and says who has it" do
      error = refusal { world.ask(world.draft, 0, who: :maro) }
      expect(error.code).to eq "not_yours"
      expect(error.way_on).to include "Ines Calloway"
    end

    it "asks the client by mail, made in the same transaction" do
      post = world.draft
      world.ask(post, 0)
      world.answer(post, :wren)
      id = world.ask(post, 1)
      jobs =
        db[:que_jobs]
          .where(job_class: "AskFirst::Jobs::AskMail")
          .where(Sequel.lit("args ->> 1 = ?", id))
          .select_map(Sequel.lit("args ->> 2"))
      expect(jobs).to match_array [world.person(:odile), world.person(:per)]
    end
  end

  describe "a change" do
    it "sends it back; a new revision is asked; what was untouched keeps its yes" do
      post = world.draft
      world.ask(post, 0)
      world.answer(post, :wren)
      world.ask(post, 1)
      world.answer(post, :per, "change", "Shorter on Ticker", only: [world.adaptation(post, :ticker)])
      expect(world.stages(post)).to eq(ticker: "changes_wanted", vitrine: "client_approval")
      world.act("Posts::OpenPost", :ines, post_id: post, adaptation_ids: [world.adaptation(post, :ticker)])
      world.write(post, "text", "Fog? Look at the lamp.", on: :ticker)
      world.ask(post, 0)
      # until the client is asked about the other content
      expect(world.stages(post)).to eq(ticker: "changes_wanted", vitrine: "client_approval")
      expect(db[:ask_line_adaptations].where(line_id: world.line(post)[:id]).select_map(:adaptation_id)).to eq [
           world.adaptation(post, :ticker)
         ]
      world.answer(post, :wren)
      world.ask(post, 1)
      expect(world.stages(post)).to eq(ticker: "client_approval", vitrine: "client_approval")
      %i[odile per].each do |who|
        world.answer(post, who) if db[:ask_lines].where(id: world.line(post)[:id]).get(:ended_at).nil?
      end
      expect(world.stages(post)).to eq(ticker: "cleared", vitrine: "client_approval")
    end

    it "needs words" do
      post = world.draft
      world.ask(post, 0)
      expect(refusal { world.answer(post, :wren, "change", "  ") }.code).to eq "words_needed"
    end
  end

  describe "sealed" do
    it "cannot be written until it is opened, not even through the master" do
      post = world.draft
      world.ask(post, 0)
      expect(refusal { world.write(post, "text", "small fix") }.code).to eq "sealed"
      expect(refusal { world.write(post, "text", "small fix", on: :ticker) }.code).to eq "sealed"
      expect(refusal { world.act("Posts::ChooseChannels", :ines, post_id: post, channel_ids: []) }.code).to eq "sealed"
    end

    it "opened in one adaptation, only that one can change; its yes is void, the other stands" do
      post = world.draft
      world.clear(post)
      world.act("Posts::OpenPost", :ines, post_id: post, adaptation_ids: [world.adaptation(post, :ticker)])
      expect(refusal { world.write(post, "text", "for both") }.code).to eq "sealed"
      world.write(post, "text", "only here", on: :ticker)
      expect(world.stages(post)).to eq(ticker: "drafting", vitrine: "cleared")
    end

    it "put back as it was, with no verdict since, the yes counts again" do
      post = world.draft
      world.clear(post)
      ticker = world.adaptation(post, :ticker)
      world.act("Posts::OpenPost", :ines, post_id: post, adaptation_ids: [ticker])
      world.write(post, "text", "only here", on: :ticker)
      world.act(
        "Posts::FollowMaster",
        :maro,
        post_id: post,
        channel_id: world.channel(:ticker),
        part: "text",
        version: 1
      )
      expect(world.stages(post)[:ticker]).to eq "drafting"
      world.act("Posts::ClosePost", :ines, post_id: post, adaptation_ids: [ticker])
      expect(world.stages(post)[:ticker]).to eq "cleared"
    end

    it "opening withdraws the open ask for what is opened" do
      post = world.draft
      world.ask(post, 0)
      world.act("Posts::OpenPost", :ines, post_id: post, adaptation_ids: world.post_state(post).adaptations.map(&:id))
      expect(db[:ask_lines].where(id: world.line(post)[:id]).get(:ended_as)).to eq "withdrawn"
      expect(refusal { world.answer(post, :wren) }.code).to eq "withdrawn"
    end

    it "opened in one channel only, the rest of the ask goes on and can be answered" do
      post = world.draft
      world.ask(post, 0)
      line = world.line(post)
      world.act("Posts::OpenPost", :ines, post_id: post, adaptation_ids: [world.adaptation(post, :ticker)])
      shown = world.act("Posts::PostSheet", :wren, post_id: post)[:my_ask][:shown]
      expect(shown.keys).to eq [world.adaptation(post, :vitrine)]
      world.act("Signoff::AnswerAsk", :wren, line_id: line[:id], verdict: "yes", shown: shown)
      expect(world.stages(post)).to eq(ticker: "drafting", vitrine: "client_approval")
    end

    it "says before what it costs" do
      post = world.draft
      world.clear(post)
      world.release(post)
      sheet = world.act("Posts::PostSheet", :ines, post_id: post)
      expect(sheet[:adaptations].first[:cost]).to eq [
           "Its release ends.",
           "The yeses of Wren Adeyo and Odile Marchetti will not count on other content."
         ]
    end
  end

  describe "answers that meet something else" do
    it "a yes to an outdated revision is not taken for what its giver has not seen" do
      post = world.draft
      world.ask(post, 0)
      error =
        refusal do
          world.act(
            "Signoff::AnswerAsk",
            :wren,
            line_id: world.line(post)[:id],
            verdict: "yes",
            shown: world.shown(post).transform_values { "0" * 64 }
          )
        end
      expect(error.code).to eq "outdated"
      expect(world.stage(post)).to eq "internal_review"
    end

    it "a yes after the ask was withdrawn changes nothing; a change still counts" do
      post = world.draft
      world.ask(post, 0)
      world.act("Signoff::WithdrawAsk", :ines, ask_id: world.line(post)[:ask_id])
      expect(refusal { world.answer(post, :wren) }.code).to eq "withdrawn"
      world.answer(post, :wren, "change", "Not like this")
      expect(world.stage(post)).to eq "changes_wanted"
    end

    it "an answer from an offline queue, after the same person answered elsewhere, is not taken" do
      post = world.draft
      world.ask(post, 0)
      world.answer(post, :wren, "change", "Shorter")
      error =
        refusal do
          world.act(
            "Signoff::AnswerAsk",
            :wren,
            line_id: world.line(post)[:id],
            verdict: "yes",
            shown: world.shown(post),
            seen: 0
          )
        end
      expect(error.code).to eq "answered_since"
      expect(world.stage(post)).to eq "changes_wanted"
    end

    it "whoever was not asked does not even find the ask" do
      post = world.draft
      world.ask(post, 0)
      expect(refusal { world.answer(post, :maro) }.code).to eq "not_found"
      expect(refusal { world.answer(post, :halima, client: :brackwater) }.code).to eq "not_found"
    end

    it "somebody who became an author since cannot say yes, and is told why" do
      post = world.draft
      world.write(post, "text", "Ines' line", who: :ines)
      world.ask(post, 0, who: :tobiah)
      line = world.line(post)
      db[:ask_people].insert(workspace_id: world.workspace, ask_id: line[:ask_id], person_id: world.person(:ines))
      expect(refusal { world.answer(post, :ines) }.code).to eq "four_eyes"
    end

    it "answers stay for ever: the database changes none" do
      post = world.draft
      world.ask(post, 0)
      world.answer(post, :wren)
      expect { db[:answers].where(post_id: post).update(verdict: "no") }.to raise_error(Sequel::DatabaseError)
      expect { world.owner[:answers].where(post_id: post).delete }.to raise_error(
        Sequel::DatabaseError,
        /never changed/
      )
    end
  end

  describe "a skip" do
    it "is for the owner, with a reason, on record" do
      post = world.draft
      world.ask(post, 0)
      world.answer(post, :wren)
      expect(
        refusal do
          world.act("Signoff::SkipStep", :ines, post_id: post, step_id: world.step(1), reason: "She is away")
        end.code
      ).to eq "not_yours"
      expect(
        refusal { world.act("Signoff::SkipStep", :bram, post_id: post, step_id: world.step(1), reason: " ") }.code
      ).to eq "words_needed"
      world.act("Signoff::SkipStep", :bram, post_id: post, step_id: world.step(1), reason: "She is away")
      expect(world.stage(post)).to eq "cleared"
      expect(world.acts(post)).to include "step_skipped"
    end
  end

  describe "guest passes" do
    let(:post) { world.draft.tap { |id| world.ask(id, 0) && world.answer(id, :wren) && world.ask(id, 1) } }
    let(:token) do
      world.act(
        "Signoff::CreatePass",
        AskFirst::App::Member.process(world.workspace, "dispatcher"),
        ask_id: world.line(post)[:ask_id],
        person_id: world.person(:odile)
      )
    end

    def enter(pass)
      visit = AskFirst::App::Signoff::ExchangePass.call(world.environment, pass)
      AskFirst::App::Signoff::ExchangePass.member(world.environment, visit, "203.0.113.9")
    end

    it "opens one ask as its person, and works again: opening uses nothing up" do
      expect(enter(token).name).to eq "Odile Marchetti"
      expect(enter(token).abilities).to eq %w[see_shared answer_client see_results]
    end

    it "stands nowhere but in the mail: the database has a digest" do
      expect(db[:guest_passes].where(digest: AskFirst::App::Signoff::CreatePass.digest(token)).count).to eq 1
      expect(token.length).to be >= 43
    end

    it "is over when expired, revoked, replaced, withdrawn or invented, and says which to whoever holds it" do
      guest = -> { refusal { enter(token) }&.code }
      expect(guest.call).to be_nil
      world.act(
        "Signoff::RevokePass",
        :ines,
        pass_id: db[:guest_passes].where(digest: AskFirst::App::Signoff::CreatePass.digest(token)).get(:id)
      )
      expect(guest.call).to eq "pass_revoked"
      fresh =
        world.act(
          "Signoff::CreatePass",
          AskFirst::App::Member.process(world.workspace, "dispatcher"),
          ask_id: world.line(post)[:ask_id],
          person_id: world.person(:odile)
        )
      expect(guest.call).to eq "pass_replaced"
      world.clock.set(SpecWorld::NOON + (15 * 86_400))
      expect(refusal { enter(fresh) }).to have_attributes(
        code: "pass_expired",
        message: "This link worked until 28 October."
      )
      expect(refusal { enter("invented") }.code).to eq "pass_unknown"
      world.act("Signoff::WithdrawAsk", :ines, ask_id: world.line(post)[:ask_id])
      expect(refusal { enter(token) }).to have_attributes(
        code: "ask_withdrawn",
        message: "The agency has withdrawn what it asked here."
      )
    end

    it "says of a post that it is being changed, or that its step was skipped, and of none that it was withdrawn" do
      posts = Array.new(2) { world.draft.tap { |id| world.ask(id, 0) && world.answer(id, :wren) } }
      world.ask(posts, 1)
      guest =
        enter(
          world.act(
            "Signoff::CreatePass",
            AskFirst::App::Member.process(world.workspace, "dispatcher"),
            ask_id: world.line(posts[0])[:ask_id],
            person_id: world.person(:odile)
          )
        )
      world.act(
        "Posts::OpenPost",
        :ines,
        post_id: posts[0],
        adaptation_ids: db[:adaptations].where(post_id: posts[0]).select_map(:id)
      )
      world.act(
        "Signoff::SkipStep",
        :bram,
        post_id: posts[1],
        step_id: world.step(1),
        reason: "Odile said yes on the phone."
      )
      lines = AskFirst::App::Signoff::Review.call(world.environment, guest)[:lines]
      expect(lines.map { |line| line[:ended] }).to match_array %w[opened skipped]
    end

    it "shows the post out of the revision that was shared, with nothing of the house" do
      world.act("Talk::Say", :maro, post_id: post, room: "house", words: "SECRET house words")
      review = AskFirst::App::Signoff::Review.call(world.environment, enter(token))
      expect(JSON.generate(review)).not_to match(/SECRET|Fog days|Wren/)
      expect(review[:lines].first[:variants].first[:text]).to start_with "When fog sits"
      expect(
        review[:lines].first[:variants].flat_map { |variant| variant[:channels].map { |channel| channel[:name] } }
      ).to eq %w[Ticker Vitrine]
    end

    it "is told to open sheets when it is made and when it is stopped" do
      heard = world.environment.bus.heard
      process = AskFirst::App::Member.process(world.workspace, "dispatcher")
      ask = world.line(post)[:ask_id]
      world.act("Signoff::CreatePass", process, ask_id: ask, person_id: world.person(:per))
      expect(heard.last).to eq [world.workspace, { what: "posts", ids: [post] }]
      heard.clear
      world.act(
        "Signoff::RevokePass",
        :ines,
        pass_id: db[:guest_passes].where(ask_id: ask, person_id: world.person(:per)).get(:id)
      )
      expect(heard.last).to eq [world.workspace, { what: "posts", ids: [post] }]
    end

    it "says how large each picture is as it will be sent, so that its place is kept while it loads" do
      pictures =
        AskFirst::App::Signoff::Review.call(world.environment, enter(token))[:lines].first[
          :variants
        ].flat_map { |variant| variant[:pictures] }
      sizes = db[:renditions].where(id: pictures.map { |one| one[:id] }).select_hash(:id, %i[width height])
      expect(pictures).not_to be_empty
      expect(pictures.to_h { |one| [one[:id], one.values_at(:width, :height)] }).to eq sizes
      expect(sizes.values.flatten).to all(be_positive)
    end

    it "answers in its person's name, marked as by link" do
      review = AskFirst::App::Signoff::Review.call(world.environment, enter(token))
      line = review[:lines].first
      AskFirst::App::Signoff::AnswerAsk.call(
        world.environment,
        enter(token),
        line_id: line[:id],
        verdict: "yes",
        shown: line[:shown]
      )
      expect(world.stage(post)).to eq "cleared"
      expect(db[:answers].where(post_id: post, person_id: world.person(:odile)).get(:pass_id)).not_to be_nil
    end

    it "finds no line, file or post of another ask" do
      other = world.draft(channels: [:ticker])
      world.ask(other, 0)
      world.answer(other, :wren)
      world.ask(other, 1)
      guest = enter(token)
      expect(
        refusal do
          AskFirst::App::Signoff::AnswerAsk.call(
            world.environment,
            guest,
            line_id: world.line(other)[:id],
            verdict: "yes",
            shown: world.shown(other)
          )
        end.code
      ).to eq "not_found"
      rendition = db[:revision_adaptations].where(post_id: other).get(:rendition_ids).to_a.first
      expect(
        refusal { AskFirst::App::Media::OpenFile::Shown.call(world.environment, guest, rendition_id: rendition) }.code
      ).to eq "not_found"
      expect(
        refusal { AskFirst::App::Posts::PostSheet.call(world.environment, guest, post_id: post) }.code
      ).to eq "not_found"
      expect(
        refusal do
          AskFirst::App::Signoff::RemarkOnLine.call(
            world.environment,
            guest,
            line_id: world.line(other)[:id],
            words: "hello"
          )
        end.code
      ).to eq "not_found"
    end
  end

  it "what is stored for filtering equals what the verdict says" do
    posts = [world.draft, world.draft.tap { |post| world.ask(post, 0) }, world.draft.tap { |post| world.clear(post) }]
    posts.each { |post| expect(world.stage(post)).to eq world.post_state(post).stage }
    expect(AskFirst::App::Signoff::CheckCaches.call(world.jobs)).to eq []
  end
end
