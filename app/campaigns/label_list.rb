# frozen_string_literal: true

module AskFirst
  module App
    module Campaigns
      # The labels of a client, how many posts and marks carry each, and the mix that its plan shall have.
      class LabelList < Act
        reads :client, "see_campaign"

        # @return [Hash] JSON-ready
        def call
          {
            labels: Store::Campaigns::Facts.labels(scope),
            colours: Core::Campaigns::Label::COLOURS,
            targets: Mix.targets(scope, nil).map { |label, percent| { label_id: label, percent: percent } },
            can: {
              order_labels:
                Permissions::Capabilities.one(member, "order_labels", colleagues, Core::Permissions::Touched::NOTHING)
            }
          }
        end
      end
    end
  end
end
