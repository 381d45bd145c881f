# frozen_string_literal: true

module AskFirst
  module App
    module Clients
      # The brand sheet: what a new freelancer reads first. Colours come with their contrast against each other.
      class BrandSheet < Act
        reads :client, "see_brand"

        # @return [Hash] JSON-ready
        def call
          kept = rows(:brand_parts).to_hash(:part)
          parts = Core::Clients::BrandValues::NOTHING.to_h { |part, nothing| [part, part_json(kept[part], nothing)] }
          {
            parts: parts,
            contrasts: contrasts(parts["colours"][:value]),
            files: files,
            can: Permissions::Capabilities.of(member, others: colleagues)
          }
        end

        private

        def part_json(row, nothing)
          if row
            { value: row[:value], version: row[:version], by: names[row[:written_by]], at: row[:written_at].iso8601 }
          else
            { value: nothing, version: 0, by: nil, at: nil }
          end
        end

        # Each pair once, the ones that go together first.
        def contrasts(colours)
          colours
            .map { |colour| colour["hex"] }
            .uniq
            .combination(2)
            .map do |one, other|
              ratio = Core::Clients::Contrast.ratio(one, other)
              { one: one, other: other, ratio: ratio.floor(2), good_for: Core::Clients::Contrast.good_for(ratio) }
            end
            .sort_by { |pair| -pair[:ratio] }
        end

        def files
          rows(:brand_files)
            .where(removed_at: nil, campaign_id: nil, post_id: nil, partner_id: nil)
            .order(:name)
            .map do |row|
              row.slice(:id, :name, :mime, :bytes).merge(by: names[row[:added_by]], at: row[:added_at].iso8601)
            end
        end
      end
    end
  end
end
