# frozen_string_literal: true

module AskFirst
  module Core
    module Checks
      # The media of a post by its card: kinds, how many, how long, and whether each is described.
      module MediaChecks
        PLURAL = { "picture" => "Pictures", "video" => "Videos", "document" => "Documents" }.freeze

        module_function

        # @return [Array<PostChecks::Finding>]
        def call(request, card)
          rules = card.media
          media = request.fetch("media")
          kinds = rules.kinds
          [
            missing(media, rules, kinds),
            *strangers(media, kinds, request["format"], card),
            *number(media, rules),
            *lengths(media, rules),
            *descriptions(media, rules)
          ].compact
        end

        def kind(medium) = medium.fetch("kind", "picture")

        def missing(media, rules, kinds)
          if rules.needed && media.empty?
            PostChecks.fault(
              "picture_missing",
              "media",
              "A #{kinds.join(" or a ")} is needed here, and there is none yet."
            )
          end
        end

        # A kind that is not taken; one that came with a format that is taken is.
        def strangers(media, kinds, format, card)
          let = card.formats.include?(format) ? Posts::Formats[format].kinds : []
          (media.map { |medium| kind(medium) }.uniq - kinds - let).map do |stranger|
            PostChecks.fault(
              "no_#{stranger}s_here",
              "media",
              "#{PLURAL.fetch(stranger)} are not taken here, only a #{kinds.join(" or a ")}."
            )
          end
        end

        def number(media, rules)
          pictures, others = media.partition { |medium| kind(medium) == "picture" }
          [too_many_pictures(pictures.size, rules.most), one_alone(others.first, media.size)]
        end

        def too_many_pictures(count, most)
          return if count <= most

          PostChecks.fault("too_many_pictures", "media", "#{count} pictures; at most #{most} are taken.")
        end

        def one_alone(other, count)
          return unless other && count > 1

          PostChecks.fault("one_alone", "media", "A #{kind(other)} goes out alone; there are #{count} files.")
        end

        def lengths(media, rules)
          least, most = rules.seconds
          return [] unless least

          media.filter_map do |medium|
            length = medium["length"] or next
            next if length.between?(least * 1000, most * 1000)

            PostChecks.fault(
              "wrong_length",
              "media",
              "The video is #{(length / 1000.0).round(1)} s long; #{least} to #{most} s are taken."
            )
          end
        end

        def descriptions(media, rules)
          said = media.map { |medium| medium["description"].to_s }
          [undescribed(said, media), too_long(said.map { |words| words.grapheme_clusters.size }.max.to_i, rules)]
        end

        def undescribed(said, media)
          count = said.count { |words| words.strip.empty? }
          return if count.zero?

          PostChecks.warning("description_missing", "descriptions", without_words(count, media))
        end

        def too_long(longest, rules)
          limit = rules.description
          return unless limit && longest > limit

          PostChecks.fault(
            "description_too_long",
            "descriptions",
            "A description is #{longest - limit} over its limit of #{limit}."
          )
        end

        def without_words(count, media)
          return "The #{kind(media.first)} has no description for who cannot see it." if media.size == 1

          "#{count} of #{media.size} #{media.all? { |medium| kind(medium) == "picture" } ? "pictures" : "files"} " \
            "without a description."
        end
      end
    end
  end
end
