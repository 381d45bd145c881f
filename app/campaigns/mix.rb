# frozen_string_literal: true

module AskFirst
  module App
    module Campaigns
      # The mix of labels that is wanted, of a campaign or of a client as a whole, and how posts stand to it.
      module Mix
        module_function

        # @param scope [Store::Scope] of one client
        # @param campaign_id [String, nil] nil for the client as a whole
        # @param targets [Hash{String=>Integer}] label id => percent
        def put(scope, campaign_id, targets)
          of = scope.rows(:mix_targets).where(campaign_id: campaign_id)
          of.delete
          here = { workspace_id: scope.workspace_ids.first, campaign_id: campaign_id }
          scope.db[:mix_targets].multi_insert(
            targets.map { |label, percent| here.merge(label_id: label, percent: percent) }
          )
        end

        # @return [Hash{String=>Integer}]
        def targets(scope, campaign_id)
          scope.rows(:mix_targets).where(campaign_id: campaign_id).select_hash(:label_id, :percent)
        end

        # How posts stand to it. A label that stands below another counts as that one, where that one is wanted.
        # @param labels [Array<Hash>] of the client: :id, :name, :colour, :initials, :parent_id
        # @param posts [Array<Array<String>>] label ids of each
        # @return [Hash] JSON-ready
        def json(targets, labels, posts)
          known = labels.to_h { |label| [label[:id], label] }
          mix = Core::Campaigns::Mix.new(targets, posts.map { |ids| ids.map { |id| counted(id, known, targets) } })
          advice = mix.advice
          {
            total: mix.total,
            distance: (mix.distance * 100).to_f.round(1),
            balanced: mix.balanced?,
            tolerance: (Core::Campaigns::Mix::WITHIN * 100).to_i,
            reachable: !advice.nil?,
            rows: mix.rows.filter_map { |id, row| row_json(known[id], row, advice&.fetch(id, 0)) }
          }
        end

        def counted(id, known, targets)
          parent = known.dig(id, :parent_id)
          targets.key?(id) || !targets.key?(parent) ? id : parent
        end

        # The row of posts without a label of the mix is left out where there are none and none are wanted.
        def row_json(label, row, more)
          return if label.nil? && row[:count].zero? && row[:target].zero?

          {
            label: label&.slice(:id, :name, :colour, :initials),
            count: row[:count].to_f.round(1),
            share: (row[:share] * 100).to_f.round(1),
            target: (row[:target] * 100).to_i,
            more: more
          }
        end
        private_class_method :counted, :row_json
      end
    end
  end
end
