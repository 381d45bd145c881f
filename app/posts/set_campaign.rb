# frozen_string_literal: true

module AskFirst
  module App
    module Posts
      # Which campaign a post belongs to, by its name; a new name makes it. Immaterial: its name in tracking tags is
      # fixed at the first ask.
      class SetCampaign < Act
        opens :post, "rename", whole: true

        # @param name [String] empty for none
        def call(post_id:, name:)
          wanted = Core::Posts::Text.line(name, field: "name", limit: Core::Lengths::TITLE)
          id = wanted.empty? ? nil : campaign(wanted)
          return if row[:campaign_id] == id

          before = rows(:campaigns).where(id: row[:campaign_id]).get(:name)
          rows(:posts).where(id: post_id).update(campaign_id: id)
          record("campaign_set", post_id: post_id, facts: { before: before, after: wanted.empty? ? nil : wanted })
          refresh_stage([post_id]) # its name may stand in tracking tags that are not fixed yet
        end

        private

        def campaign(name)
          by_name = Store::Named.called(rows(:campaigns), name)
          by_name.get(:id) ||
            begin
              scope.db[:campaigns].insert_conflict.insert(
                workspace_id: member.workspace_id,
                id: new_id,
                name: name,
                made_by: member.person_id,
                made_at: now
              )
              by_name.get(:id)
            end
        end
      end
    end
  end
end
