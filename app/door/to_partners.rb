# frozen_string_literal: true

module AskFirst
  module App
    class Door
      # Partners of a client.
      module ToPartners
        # A partner; without an id one that is new.
        # @param gone [Boolean] whether it is one that was thrown away
        def partner(input, gone: false)
          agency_only!("This partner")
          require!(@act)
          return Opened.new if input[:partner_id].nil?

          there = gone ? Store::Database.present(:dropped_at) & { merged_into: nil } : { dropped_at: nil }
          Opened.new(
            row: find(:partners, input[:partner_id], "This partner") { |partners| partners.where(there).for_update }
          )
        end

        def partner_read(input)
          agency_only!("This partner")
          require!(@act)
          Opened.new(row: find(:partners, input[:partner_id], "This partner") { |all| all.where(dropped_at: nil) })
        end

        def partner_file(input)
          partner_read(input)
          file =
            find(:brand_files, input[:file_id], "This file") do |files|
              files.where(removed_at: nil, partner_id: input[:partner_id])
            end
          Opened.new(row: file)
        end
      end
    end
  end
end
