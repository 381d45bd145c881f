# frozen_string_literal: true

module AskFirst
  module Store
    module Signoff
      # The posts of a sign-off sheet, and the revisions that were asked about.
      module Sheets
        module_function

        # @param scope [Scope]
        # @param post_id [String, nil]
        # @param campaign_id [String, nil]
        # @param span [Range<Time>, nil] planned then
        # @return [Sequel::Dataset] the posts that the reader sees, in the order of their times
        def posts(scope, post_id: nil, campaign_id: nil, span: nil)
          seen = post_id ? Posts::Visible.of(scope, post_id) : Posts::Visible.narrow(scope, scope.rows(:posts))
          seen = seen.where(campaign_id: campaign_id) if campaign_id
          seen = seen.where(Sequel[:posts][:at] => span) if span
          seen.select_all(:posts).order(Sequel[:posts][:at], Sequel[:posts][:id])
        end

        # @return [Hash{String=>Integer}] line id => number of the revision that it asked about
        def revisions(scope, post_ids)
          scope
            .rows(:ask_lines)
            .where(Sequel[:ask_lines][:post_id] => post_ids)
            .join(:revisions, workspace_id: :workspace_id, id: :revision_id)
            .select_hash(Sequel[:ask_lines][:id], :number)
        end
      end
    end
  end
end
