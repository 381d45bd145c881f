# frozen_string_literal: true

module AskFirst
  module App
    module Campaigns
      # Merges a label into another: whatever carries it carries the other, and a saved view that names it shows what it
      # showed. Immaterial.
      class MergeLabels < Act
        opens :label, "order_labels", locks: :client

        # @param into [String] id of the label that stays
        # @return [Integer] posts that carry it instead
        # @raise [Core::Invalid] same_label
        def call(label_id:, into:)
          stays = fetch(:labels, into, "This label")
          raise Core::NotFound, "This label" if stays[:merged_into]
          raise same if into == label_id

          posts = carry(into)
          %i[pencil_marks fixtures].each { |table| rows(table).where(label_id: label_id).update(label_id: into) }
          mixes(into)
          lift(stays)
          rows(:labels).where(merged_into: label_id).update(merged_into: into)
          rows(:labels).where(id: label_id).update(merged_into: into, parent_id: nil)
          Signoff::RefreshLabelled.call(environment, member, label_ids: [into])
          record("labels_merged", facts: { from: row[:name], into: stays[:name], posts: posts })
          announce("plan", ids: [])
          posts
        end

        private

        def carry(into)
          own = rows(:post_labels).where(label_id: row[:id])
          Store::Campaigns::Carried.over(scope, own, into)
          own.delete
        end

        # Where both are wanted, the shares come together.
        def mixes(into)
          own = rows(:mix_targets).where(label_id: row[:id])
          own.all.each do |target|
            there = rows(:mix_targets).where(campaign_id: target[:campaign_id], label_id: into)
            next if there.update(percent: Store::Database.more(:percent, target[:percent])).positive?

            scope.db[:mix_targets].insert(**target, label_id: into)
          end
          own.delete
        end

        # What stood below it stands below the one that stays, or beside it where that stands below something itself.
        # One that stood below it and stays takes its place.
        def lift(stays)
          own = stays[:parent_id] == row[:id]
          rows(:labels).where(id: stays[:id]).update(parent_id: nil) if own
          below = own ? stays[:id] : (stays[:parent_id] || stays[:id])
          rows(:labels).where(parent_id: row[:id]).update(parent_id: below)
        end

        def same
          Core::Invalid.new("same_label", "This is the same label.", field: "into", way_on: "Choose another one.")
        end
      end
    end
  end
end
