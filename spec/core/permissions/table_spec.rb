# frozen_string_literal: true

# The full table of presets and acts, written out: what each kind of person may do here. A change of a preset changes
# this.
RSpec.describe "Who may do what" do
  permissions = AskFirst::Core::Permissions
  person = Struct.new(:person_id, :name, :side, :abilities, :limited_to, :archived, :looking, keyword_init: true)

  copy = ["save_mention", *%w[text link first_comment call_to_action tagged].map { |part| "write:#{part}" }]
  visuals = %w[media framing format].map { |part| "write:#{part}" }
  timing = %w[time event].map { |part| "write:#{part}" }
  settings = %w[audience budget].map { |part| "write:#{part}" }
  both = ["write:descriptions"]
  reading = %w[
    see_post
    house_talk
    client_talk
    see_people
    see_record
    see_figures
    see_brand
    see_whole
    see_campaign
    see_shared_plan
    see_ideas
    see_partners
    vote_idea
    keep_idea
  ]
  changing = %w[house_talk client_talk vote_idea keep_idea]
  running = %w[
    ask
    see_passes
    share_plan
    share_figures
    keep_out
    withdraw
    release
    take_back
    settle
    mark_ready
    hold
    hold_all
    open
    close
    assign
    save_reminders
  ]
  governing = %w[invite change_member connect add_channel order_channels change_settings archive export]
  whole = %w[
    see_whole
    see_passes
    hold_all
    save_reminders
    share_view
    keep_feed
    keep_partner
    see_partners
    plan_dates
    share_plan
    share_figures
    plan_campaign
    order_labels
    change_route
    choose_campaign_route
    add_channel
    order_channels
    change_settings
    archive
    delete_client
    export
  ]

  table = {
    "agency owner" =>
      reading + copy + visuals + timing + settings + both + running + governing +
        %w[
          make_post
          order_ideas
          keep_feed
          keep_partner
          pencil
          share_view
          plan_dates
          discard
          rename
          plan_campaign
          order_labels
          change_owner
          choose_channels
          add_media
          hand_over
          finish_task
          rule
          change_route
          choose_route
          choose_campaign_route
          delete_client
          look_as
        ],
    "account lead" =>
      reading + copy + visuals + timing + settings + both + running + governing +
        %w[
          make_post
          order_ideas
          keep_feed
          keep_partner
          pencil
          share_view
          plan_dates
          discard
          rename
          plan_campaign
          order_labels
          change_owner
          choose_channels
          add_media
          hand_over
          finish_task
          change_route
          choose_route
          choose_campaign_route
        ],
    "reviewer" =>
      reading + copy + visuals + timing + settings + both +
        %w[
          make_post
          order_ideas
          keep_feed
          keep_partner
          pencil
          share_view
          plan_dates
          discard
          rename
          plan_campaign
          order_labels
          change_owner
          choose_channels
          add_media
          hand_over
          finish_task
        ],
    "copywriter" =>
      reading + copy + both +
        %w[make_post order_ideas keep_feed keep_partner pencil share_view plan_dates discard hand_over finish_task],
    "designer" => reading + visuals + both + %w[add_media hand_over finish_task],
    "video editor" => reading + visuals + both + %w[add_media hand_over finish_task],
    "assistant" =>
      reading + copy + timing + both +
        %w[
          make_post
          order_ideas
          keep_feed
          keep_partner
          pencil
          share_view
          plan_dates
          discard
          ask
          see_passes
          share_plan
          share_figures
          share_figures
          keep_out
          withdraw
          release
          take_back
          settle
          mark_ready
          hand_over
          finish_task
        ],
    "releaser" =>
      reading + timing + %w[pencil share_view plan_dates release take_back settle mark_ready hold hold_all hand_over],
    "client approver" => %w[client_talk see_shared_plan see_figures],
    "client observer" => %w[client_talk see_shared_plan see_figures]
  }
  answering = {
    "agency owner" => "answer_internal",
    "account lead" => "answer_internal",
    "reviewer" => "answer_internal",
    "client approver" => "answer_client"
  }
  workspace_acts = permissions::Acts::IN_WORKSPACE

  it "names every preset, and every act of a workspace is somebody's" do
    expect(table.keys).to match_array permissions::Abilities::PRESETS.keys
    expect(table.values.flatten.uniq).to match_array workspace_acts
  end

  table.each do |role, allowed|
    workspace_acts.each do |act|
      may = allowed.include?(act)
      it "#{role}: #{act} is #{may ? "theirs" : "refused with the rule"}" do
        side, abilities = permissions::Abilities::PRESETS.fetch(role)
        decision =
          permissions::Decision.for(person.new(person_id: "me", name: "Me", side: side, abilities: abilities), act)
        expect(decision.allowed?).to be may
        expect(decision.rule).to start_with("Your role here cannot") unless may
      end
    end

    # Every role, act, and state of what is touched, against the rules in words: what the table says, and then nothing
    # while looking, only reading in an archive, only on one's channels, only what one is asked, nothing that is going
    # or sealed.
    it "#{role}: every act in every state of what it touches" do
      side, abilities = permissions::Abilities::PRESETS.fetch(role)
      wrong = []
      states = [
        [nil, %w[c1]],
        [nil, %w[c1], %w[c2]],
        [nil, [], %w[Ticker]],
        [nil, [], %w[Ticker]],
        [false, true],
        [false, true],
        [nil, %w[me], %w[other]],
        [nil, %w[me], %w[other]]
      ]
      (workspace_acts + %w[answer_internal answer_client]).each do |act|
        states[0].product(*states[1..]) do |state|
          limited, channels, sealed, going, archived, looking, owners, asked = state
          may = allowed.include?(act) || answering[role] == act
          # another's task is finished by whoever assigns tasks
          may = allowed.include?("assign") if act == "finish_task" && owners && !owners.include?("me")
          # another's idea is changed by whoever makes posts
          may = allowed.include?("make_post") if act == "keep_idea" && owners && !owners.include?("me")
          may &&= (reading - changing + %w[look_as see_passes]).include?(act) if looking
          may &&= ((reading - changing) + %w[look_as see_passes archive delete_client export]).include?(act) if archived
          may &&= limited.nil? || (!whole.include?(act) && (channels.nil? || (channels - limited).empty?))
          may &&= (asked || []).include?("me") if act.start_with?("answer_")
          may &&= (going || []).empty?
          may &&= (sealed || []).empty? if act.start_with?("write:")
          me =
            person.new(
              person_id: "me",
              name: "Me",
              side: side,
              abilities: abilities,
              limited_to: limited,
              archived: archived,
              looking: looking
            )
          on =
            permissions::Touched.new(channel_ids: channels, sealed: sealed, going: going, owners: owners, asked: asked)
          decision = permissions::Decision.for(me, act, on: on)
          wrong << [act, *state] if decision.allowed? != may
          wrong << [act, "no rule"] if !decision.allowed? && (decision.rule.to_s.empty? || decision.way_on.to_s.empty?)
        end
      end
      expect(wrong.first(3)).to eq []
    end
  end

  it "an act that nobody defined is no act" do
    member = person.new(abilities: %w[see], side: "agency")
    expect { permissions::Decision.for(member, "fly") }.to raise_error(KeyError)
    expect { permissions::Decision.for(member, "write:smell") }.to raise_error(KeyError)
  end

  it "the client side keeps to its ceiling, whatever its role was edited to" do
    row = {
      workspace_id: "w",
      person_id: "p",
      name: "Odile",
      side: "client",
      abilities: %w[see_shared answer_client see release govern_people],
      workspace_zone: "Europe/Lisbon"
    }
    expect(AskFirst::App::Member.from_row(row).abilities).to eq %w[see_shared answer_client]
    lifted = person.new(person_id: "p", name: "Odile", side: "client", abilities: permissions::Abilities::ALL)
    expect(permissions::Acts::IN_WORKSPACE.select { |act| permissions::Decision.for(lifted, act).allowed? }).to eq %w[
         client_talk
         see_shared_plan
         see_figures
       ]
  end
end
