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
          held = rows(:parts).where(post_id: post_id, part: Swapped::PARTS).all
          held = held.sort_by { |row| Swapped::PARTS.index(row[:part]) }
          changed =
            held.filter_map do |row|
              value = Swapped.value(row[:part], plain(row[:value]), from, into)
              value && save(row, value)
            end
          changed.any?
        end

        def save(row, value)
          place = { post_id: row[:post_id], channel_id: row[:channel_id], part: row[:part] }
          Posts::UpdatePart.call(kit, member, **place, value: value, version: row[:version])
        end

        def plain(value) = JSON.parse(JSON.generate(value))

        # What a part says with another medium in the place of one.
        module Swapped
          # the files first: the others hang on them
          PARTS = %w[media descriptions framing link tagged].freeze

          module_function

          # @return [Object, nil] nil where the part does not hold it
          def value(part, value, from, into)
            swapped = ->(id) { id == from ? into : id }
            made =
              case part
              when "media"
                (value - [into]).map(&swapped)
              when "descriptions", "framing"
                value.except(into).transform_keys(&swapped)
              when "link"
                card(value, swapped)
              else
                value.map { |spot| spot.merge("media" => swapped.call(spot["media"])) }
              end
            made == value ? nil : made
          end

          def card(link, swapped)
            shown = link["card"] or return link
            link.merge("card" => shown.merge("picture" => swapped.call(shown["picture"])))
          end
          private_class_method :card
        end
        private_constant :Swapped
      end
    end
  end
end
