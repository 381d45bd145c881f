# frozen_string_literal: true

module AskFirst
  module App
    module Campaigns
      # Plans a campaign: what it is, when, on which channels, with whom, at what cost and in which mix. A new one, or
      # one that is there already, compared with the version that the writer saw.
      class SaveCampaign < Act
        opens :campaign, "plan_campaign"

        MOST = 100 # channels, people or labels of one campaign

        # @param plan [Hash] name, first, last, goal, brief, budget: see Core::Campaigns::Campaign.read; channel_ids,
        #   person_ids; targets: [{"label" => name, "percent" => Integer}]
        # @param campaign_id [String, nil] nil for a new one
        # @param version [Integer] that the writer saw
        # @return [String] its id
        # @raise [Core::Invalid, Core::Conflict] campaign_there, part_changed
        def call(plan:, campaign_id: nil, version: 0)
          campaign = read(plan)
          targets = targets(plan["targets"] || [])
          channels = known(:channels, plan["channel_ids"] || [], "channels")
          people = known_people(plan["person_ids"] || [])
          id = campaign_id || new_id
          scope.transaction(savepoint: true) { keep(id, campaign, version) }
          put(:campaign_channels, id, :channel_id, channels)
          put(:campaign_people, id, :person_id, people)
          Mix.put(scope, id, targets)
          record("campaign_planned", facts: facts(campaign))
          announce("plan", ids: [])
          refresh_stage(rows(:posts).where(campaign_id: id).select_map(:id)) if row && row[:name] != campaign.name
          id
        rescue Store::Failures::Taken
          raise there(campaign.name)
        end

        private

        def read(plan)
          given = %w[name first last goal brief budget].to_h { |key| [key.to_sym, plan[key]] }
          Core::Campaigns::Campaign.read(**given, now: now)
        end

        def targets(given)
          clean =
            given.to_h do |one|
              [Core::Posts::Text.line(one["label"], field: "targets", limit: Core::Lengths::NAME), one["percent"]]
            end
          clean.delete("")
          Core::Campaigns::Mix.check!(clean)
          clean.to_h { |name, percent| [NamedLabels.call(environment, member, names: [name]).first, percent] }
        end

        def known(table, ids, field)
          wanted = ids.uniq.grep(Core::Uuid::FORMAT)
          found = rows(table).where(id: wanted).select_map(:id)
          return found if found.size == ids.uniq.size && found.size <= MOST

          raise gone(field)
        end

        def known_people(ids)
          here = colleagues.select { |one| one.side == "agency" }.map(&:person_id)
          raise gone("people") unless (ids - here).empty? && ids.size <= MOST

          ids.uniq
        end

        def keep(id, campaign, version)
          set = columns(campaign).merge(version: version + 1)
          return insert(id, set.merge(version: 1)) unless row

          done = rows(:campaigns).where(id: id, version: version).update(set)
          raise changed if done.zero?
        end

        def insert(id, set)
          by = { made_by: member.person_id, made_at: now }
          scope.db[:campaigns].insert(workspace_id: member.workspace_id, id: id, **set, **by)
        end

        def columns(campaign)
          {
            name: campaign.name,
            first_day: campaign.days&.first,
            last_day: campaign.days&.last,
            goal: campaign.goal,
            brief: campaign.brief,
            budget: campaign.budget&.fetch(:minor),
            currency: campaign.budget&.fetch(:currency)
          }
        end

        def put(table, id, column, ids)
          rows(table).where(campaign_id: id).exclude(column => ids).delete
          scope.db[table].insert_conflict.multi_insert(
            ids.map { |one| { :workspace_id => member.workspace_id, :campaign_id => id, column => one } }
          )
        end

        def facts(campaign)
          days = campaign.days
          before = row && { name: row[:name], first: row[:first_day]&.iso8601, last: row[:last_day]&.iso8601 }
          { name: campaign.name, first: days&.first&.iso8601, last: days&.last&.iso8601, before: before }
        end

        def gone(field)
          Core::Invalid.new(
            "not_there",
            "Something that was chosen is not there (any more).",
            field: field,
            way_on: "Choose again."
          )
        end

        def there(name)
          Core::Conflict.new(
            "campaign_there",
            "There is a campaign “#{name}” already.",
            field: "name",
            way_on: "Change that one, or choose another name."
          )
        end

        def changed
          Core::Changed.new(
            "part_changed",
            "this campaign",
            way_on: Core::Changed::KEPT,
            version: rows(:campaigns).where(id: row[:id]).get(:version)
          )
        end
      end
    end
  end
end
