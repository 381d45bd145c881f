# frozen_string_literal: true

module AskFirst
  module App
    module Media
      # Puts a newer version of a medium in the place of the one before, wherever a post holds it: as every other
      # change, part by part, so that what is sealed, being sent or out refuses it.
      class SwapMedium < Act
        inside

        # @param post_ids [Array<String>]
        # @param from [String] id of the medium
        # @param into [String] id of its newer version
        # @return [Integer] how many posts hold the newer one now
        # @raise [Core::NotFound, Core::Conflict, Core::Over, Core::Refused] naming the rule
        def call(post_ids:, from:, into:)
          raise Core::NotFound, "This post" unless post_ids.all? { |id| Core::Uuid::FORMAT.match?(id.to_s) }

          post_ids.count { |id| swap(id, from, into) }
        end

        private

        def swap(post_id, from, into)
          held = rows(:parts).where(post_id: post_id, part: Core::Media::Swap::PARTS).all
          held = held.sort_by { |row| Core::Media::Swap::PARTS.index(row[:part]) }
          changed =
            held.filter_map do |row|
              value = Core::Media::Swap.value(row[:part], plain(row[:value]), from, into)
              value && save(row, value)
            end
          changed.any?
        end

        def save(row, value)
          place = { post_id: row[:post_id], channel_id: row[:channel_id], part: row[:part] }
          Posts::UpdatePart.call(environment, member, **place, value: value, version: row[:version])
        end

        def plain(value) = JSON.parse(JSON.generate(value))
      end
    end
  end
end
