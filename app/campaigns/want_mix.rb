# frozen_string_literal: true

module AskFirst
  module App
    module Campaigns
      # Says which mix of labels a client's plan shall have.
      class WantMix < Act
        opens :client, "order_labels"

        # @param targets [Array<Hash>] {"label_id" =>, "percent" => Integer}
        # @return [void]
        # @raise [Core::Invalid] bad_percent, over_hundred
        def call(targets:)
          wanted = targets.to_h { |one| [one["label_id"], one["percent"]] }
          Core::Campaigns::Mix.check!(wanted)
          known =
            rows(:labels).where(id: wanted.keys.grep(Core::Uuid::FORMAT), merged_into: nil).select_hash(:id, :name)
          raise Core::NotFound, "This label" unless known.size == wanted.size

          Mix.put(scope, nil, wanted)
          record("mix_wanted", facts: { mix: wanted.map { |id, percent| "#{known[id]} #{percent} %" }.join(", ") })
          announce("plan", ids: [])
        end
      end
    end
  end
end
