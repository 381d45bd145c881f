# frozen_string_literal: true

module AskFirst
  module App
    module Partners
      # Makes one of two that are the same: posts, ideas and files go along, words that the one that stays has not are
      # put below its own, and nothing that was said is lost.
      class Merge < PartnerAct
        opens :partner, "keep_partner"

        FILLED = %i[contact link fee currency codes due_on].freeze

        # @param partner_id [String] the one that goes
        # @param into [String] the one that stays
        # @raise [Core::NotFound] where the other is not there, or is the same
        def call(partner_id:, into:)
          known = Core::Uuid::FORMAT.match?(into.to_s) && into != partner_id
          stays = known && there.where(id: into).for_update.first
          raise Core::NotFound, "This partner" unless stays

          rows(:partners).where(id: into).update(filled(stays).merge(version: Store::Database.one_more(:version)))
          move(:partner_posts, :post_id, into)
          move(:partner_ideas, :idea_id, into)
          rows(:brand_files).where(partner_id: partner_id).update(partner_id: into)
          rows(:partners).where(id: partner_id).update(dropped_at: now, merged_into: into)
          record("partners_merged", facts: { name: row[:name], into: stays[:name] })
          broadcast
        rescue Store::Failures::Clash
          raise crossed # somebody merges them the other way round
        end

        private

        def filled(stays)
          empty = FILLED.select { |key| stays[key].to_s.empty? && !row[key].to_s.empty? }
          empty -= %i[fee currency] if stays[:fee]
          said = %i[note came].to_h { |key| [key, [stays[key], row[key]].reject(&:empty?).uniq.join("\n\n")] }
          row.slice(*empty).merge(said)
        end

        def crossed
          Core::Conflict.new(
            "partner_changed",
            "Somebody changed these partners meanwhile.",
            way_on: "Look at them as they are now."
          )
        end

        def move(table, column, into)
          ids = rows(table).where(partner_id: row[:id]).select_map(column)
          rows(table).where(partner_id: row[:id]).delete
          scope.db[table].insert_conflict.multi_insert(
            ids.map { |id| { :workspace_id => member.workspace_id, :partner_id => into, column => id } }
          )
        end
      end
    end
  end
end
