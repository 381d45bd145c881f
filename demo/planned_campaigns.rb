# frozen_string_literal: true

require_relative "story"

module Demo
  # Campaigns with their posts, and the labels of the demo with their looks and the mix that is wanted.
  class PlannedCampaigns < Story
    # from: days from today
    CAMPAIGNS = {
      quillmere: {
        "Winter timetable" => {
          from: -7,
          days: 35,
          goal: "Nobody stands on the pier at 7:20 and waits for the summer boat.",
          brief: <<~TEXT,
            ## What changes

            - The **first boat** goes at 6:50, the last at 20:30.
            - Sundays by the holiday plan.

            ## How we say it

            Times first, then the reason. *No fog jokes.* Every post names the pier.
          TEXT
          budget: 60_000,
          people: %i[ines wren],
          mix: {
            "Service" => 50,
            "A voice" => 30,
            "The number" => 20
          }
        }
      },
      oddling: {
        "Chestnut loaf" => {
          from: 2,
          days: 28,
          goal: "Sold out by ten, four Fridays in a row.",
          people: [],
          mix: {
          }
        }
      }
    }.freeze
    LABELS = {
      "Service" => %w[S teal],
      "A voice" => %w[V plum],
      "The number" => %w[N brick],
      "times, prices" => %w[T sea]
    }.freeze
    # the first letters of a subject => its labels and its campaign
    OF_CAMPAIGN = {
      "Winter timetable" => ["Service", "Winter timetable"],
      "Season pass" => ["Service", "Winter timetable"],
      "Half-term" => ["Service", "Winter timetable"],
      "Timetable poster" => ["Service", "Winter timetable"],
      "The hour that comes" => ["A voice", "Winter timetable"],
      "Lamp walk" => ["A voice", "Winter timetable"],
      "Who oils the ramp" => ["A voice", "Winter timetable"],
      "Night boats" => ["The number", "Winter timetable"]
    }.freeze

    def tell
      in_campaigns
      CAMPAIGNS.each { |client, all| all.each { |name, plan| campaign(client, name, plan) } }
      labels
    end

    private

    def in_campaigns
      posts = world.db[:posts].where(workspace_id: world.workspaces.fetch(:quillmere)).select_hash(:id, :subject)
      posts.each do |post, subject|
        label, campaign = OF_CAMPAIGN.find { |start, _| subject.start_with?(start) }&.last
        next unless campaign

        @clock.at(@now - 3_600) do
          names = world.db[:post_labels].where(post_id: post).join(:labels, id: :label_id).select_map(:name) | [label]
          act(AskFirst::App::Posts::SetLabels, :ines, :quillmere, post_id: post, names: names)
          act(AskFirst::App::Posts::SetCampaign, :ines, :quillmere, post_id: post, name: campaign)
        end
      end
    end

    def campaign(client, name, planned)
      here = world.db[:campaigns].where(workspace_id: world.workspaces.fetch(client), name: name)
      known = here.select_hash(:id, :version).first
      plan = {
        "name" => name,
        "goal" => planned[:goal],
        "brief" => planned[:brief].to_s,
        "budget" => planned[:budget] && { "minor" => planned[:budget], "currency" => "EUR" },
        "channel_ids" => world.channels.fetch(client).values.first(2),
        "person_ids" => world.people.values_at(*planned[:people]),
        "targets" => planned[:mix].map { |label, percent| { "label" => label, "percent" => percent } },
        **period(planned)
      }
      of = known ? { campaign_id: known.first, version: known.last } : {}
      @clock.at(@now - 3_600) { act(AskFirst::App::Campaigns::SaveCampaign, :ines, client, plan: plan, **of) }
    end

    def period(planned)
      first = @now.to_date + planned[:from]
      { "first" => first.iso8601, "last" => (first + planned[:days] - 1).iso8601 }
    end

    def labels
      here = world.db[:labels].where(workspace_id: world.workspaces.fetch(:quillmere)).select_hash(:name, :id)
      LABELS.each do |name, (initials, colour)|
        next unless here[name]

        looks = { name: name, initials: initials, colour: colour }
        @clock.at(@now - 3_600) do
          act(AskFirst::App::Campaigns::UpdateLabel, :ines, :quillmere, label_id: here[name], **looks)
        end
      end
      targets =
        [["Service", 40], ["A voice", 40], ["The number", 20]].map do |name, percent|
          { "label_id" => here.fetch(name), "percent" => percent }
        end
      @clock.at(@now - 3_600) { act(AskFirst::App::Campaigns::WantMix, :ines, :quillmere, targets: targets) }
    end
  end
end
