# frozen_string_literal: true

module AskFirst
  module Store
    module Dispatch
      # Releases that stand.
      module Releases
        module_function

        # @param scope [Scope]
        # @return [Hash, nil] the release of a showing with what was released: :request, :rendition_ids, :revision_id
        def of_showing(scope, showing_id)
          scope
            .rows(:releases)
            .where(showing_id: showing_id, ended_at: nil)
            .join(:revision_adaptations, workspace_id: :workspace_id, id: :revision_adaptation_id)
            .select_all(:releases)
            .select_append(:request, :rendition_ids, :revision_id)
            .first
        end

        # Of what is not yet on its way.
        # @param channel_id [String, nil] of one channel; nil for all of the client
        # @return [Array<Hash>] :id, :post_id, :adaptation_id
        def planned(scope, channel_id = nil)
          before_sending(scope, channel_id).select(
            *%i[id post_id adaptation_id].map { |column| Sequel[:releases][column] }
          ).all
        end

        # @return [Integer] how many they are
        def count_planned(scope, channel_id = nil) = before_sending(scope, channel_id).count

        def before_sending(scope, channel_id)
          found =
            scope
              .rows(:releases)
              .where(Sequel[:releases][:ended_at] => nil)
              .join(:showings, workspace_id: Sequel[:releases][:workspace_id], id: Sequel[:releases][:showing_id])
              .where(Sequel[:showings][:state] => %w[planned by_hand])
          channel_id ? found.where(Sequel[:showings][:channel_id] => channel_id) : found
        end
        private_class_method :before_sending
      end
    end
  end
end
